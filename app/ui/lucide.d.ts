declare module 'lucide/dist/esm/icons/*.mjs' {
  const icon: readonly (readonly [tag: string, attributes: Readonly<Record<string, string>>])[];
  export default icon;
}
