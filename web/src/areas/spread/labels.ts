/** A word on the drawing, with the box that it takes. */
export interface Label {
  key: string;
  text: string;
  x: number;
  y: number;
  size: number;
  anchor: "start" | "middle" | "end";
  weight?: number;
  colour?: string;
  /** What it names, where it has several places to stand in: the first that is free is taken. */
  of?: string;
}

const box = (label: Label) => {
  const wide = label.text.length * label.size * 0.56 + 6;
  const left =
    label.anchor === "middle" ? label.x - wide / 2 : label.anchor === "end" ? label.x - wide : label.x;
  return { left, right: left + wide, top: label.y - label.size, bottom: label.y + label.size * 0.35 };
};

/** free leaves out what would lie over a label before it, or past the drawing's sides: the first ones matter most. */
export function free(labels: Label[], width: number, height: number): Label[] {
  const kept: { label: Label; box: ReturnType<typeof box> }[] = [];
  const named = new Set<string>();
  for (const label of labels) {
    if (label.of && named.has(label.of)) continue;
    const b = box(label);
    if (b.left < 0 || b.right > width || b.top < 0 || b.bottom > height) continue;
    const over = kept.some(
      (k) => b.left < k.box.right && b.right > k.box.left && b.top < k.box.bottom && b.bottom > k.box.top,
    );
    if (over) continue;
    kept.push({ label, box: b });
    if (label.of) named.add(label.of);
  }
  return kept.map((k) => k.label);
}
