import type { KeyboardEvent, MouseEvent } from "react";

import { plus, type Point } from "./geometry";
import type { BedLabel } from "./labels";
import { pathOf } from "./paths";
import type { Bed } from "./things";
import type { View } from "./useView";

export const onEnter = (act: (more: boolean) => void) => (event: KeyboardEvent) => {
  if (event.key === "Enter" || event.key === " ") {
    event.preventDefault();
    act(event.shiftKey);
  }
};

export const onClick = (act: (more: boolean) => void) => (event: MouseEvent) => {
  event.stopPropagation();
  act(event.shiftKey);
};

interface Props {
  bed: Bed;
  view: View;
  by: Point;
  selected: boolean;
  /** What stands after the name: the conditions, or what a layer says. */
  words: string;
  /** Where the label has room. */
  label?: BedLabel;
  fill: string;
  onChoose: (more: boolean) => void;
}

/** forbidden tells of a bed in which something is not for use. */
export const forbidden = (bed: Bed) =>
  bed.plantings.some((p) => p.ground.some((g) => g.forbids)) || bed.unsafe !== "";

/** BedShape is one bed on the plan, with its name. */
export function BedShape({ bed, view, by, selected, words, label, fill, onChoose }: Props) {
  const areas = bed.areas.map((area) => area.map((p) => plus(p, by)));
  const hole = bed.hole.map((p) => plus(p, by));
  const outline = pathOf(hole.length > 0 ? [...areas, hole] : areas, view);
  const forbids = forbidden(bed);
  const shift = { x: by.x * view.scale, y: by.y * view.scale };
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`Bed ${bed.name}, ${words}${bed.unsafe ? `: ${bed.unsafe}` : ""}`}
      aria-pressed={selected}
      onClick={onClick(onChoose)}
      onKeyDown={onEnter(onChoose)}
      data-thing={`bed-${bed.id}`}
      style={{ cursor: "pointer" }}
    >
      <path
        d={outline}
        fillRule="evenodd"
        fill={fill}
        stroke={selected ? "var(--bramble)" : "var(--softInk)"}
        strokeWidth={selected ? 3 : 1.2}
        strokeLinejoin="round"
      />
      {forbids && <path d={outline} fillRule="evenodd" fill="url(#unsafe)" pointerEvents="none" />}
      {label && (
        <text
          {...plus(label.at, shift)}
          fontSize={14}
          fill="var(--ink)"
          stroke="var(--meadow)"
          strokeWidth={3}
          paintOrder="stroke"
          data-label
        >
          <tspan fontWeight={700} data-hit>
            {bed.name}
          </tspan>{" "}
          {label.lines !== "name" && (
            <tspan
              fontSize={12.5}
              fill={forbids ? "var(--forbid)" : "var(--softInk)"}
              {...(label.lines === "one" ? { dx: 7 } : { x: label.at.x + shift.x, dy: 15 })}
            >
              {words}
            </tspan>
          )}
        </text>
      )}
    </g>
  );
}
