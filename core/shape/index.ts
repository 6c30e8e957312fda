export { FIGURE_FORMS, figureForms, isArea, isBar, OFFERED_SHAPES, shapeOf, shapes, type OfferedShape, type ShapeName } from './shapes';
