import { memo } from "react";

import { drawn } from "./drawing";
import type { Likeness } from "./stand";
import type { Stroke } from "./strokes";

const made = new WeakMap<Likeness, Map<string, Stroke[]>>();

function strokesOf(likeness: Likeness, stage: string, fine: boolean): Stroke[] {
  const stages = made.get(likeness) ?? new Map<string, Stroke[]>();
  made.set(likeness, stages);
  const key = `${stage} ${String(fine)}`;
  const strokes = stages.get(key) ?? drawn(likeness, stage, fine);
  stages.set(key, strokes);
  return strokes;
}

interface Props {
  likeness: Likeness;
  stage: string;
  /** Large enough for the teeth of a leaf to be seen. */
  fine?: boolean;
}

/** SpeciesShape is a species at a stage on a field of a hundred, for use inside a larger drawing. */
export const SpeciesShape = memo(function SpeciesShape({ likeness, stage, fine = false }: Props) {
  return strokesOf(likeness, stage, fine).map((s, i) => (
    <path
      key={i}
      d={s.d}
      fill={s.fill ?? "none"}
      stroke={s.line ?? "none"}
      strokeWidth={s.width}
      strokeLinecap="round"
      strokeLinejoin="round"
      opacity={s.faint ? 0.45 : undefined}
    />
  ));
});
