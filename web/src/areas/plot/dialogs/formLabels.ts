/** The names of a thing's place and size, where both readings of a form are shown. */
export const formLabels = {
  shape: "Shape",
  width: "Length or width",
  depth: "Breadth",
  inner: "Its hole",
  x: "From the left edge",
  y: "From the upper edge",
  turn: "Turned by",
  points: "Corners",
};
