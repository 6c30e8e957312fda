export { isArea, isBar, shapeOf, shapes, type Shape, type Shaped, type ShapeName } from './shapes';
