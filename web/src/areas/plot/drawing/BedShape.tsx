import type { KeyboardEvent, MouseEvent } from "react";

import { boundsOf, plus, type Point } from "./geometry";
import { smallScale } from "./layers";
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
  about: string;
  fill: string;
  onChoose: (more: boolean) => void;
}

const letter = 6.4;
const leastForTwoLines = 60;

/** BedShape is one bed on the plan, with its name. */
export function BedShape({ bed, view, by, selected, about, fill, onChoose }: Props) {
  const areas = bed.areas.map((area) => area.map((p) => plus(p, by)));
  const hole = bed.hole.map((p) => plus(p, by));
  const outline = pathOf(hole.length > 0 ? [...areas, hole] : areas, view);
  const box = boundsOf(areas.flat().map(view.at));
  const forbids = bed.plantings.some((p) => p.ground.some((g) => g.forbids)) || bed.unsafe !== "";
  const words = `${about}${forbids ? " · not for use" : ""}`;
  const roomBelow = (box.right - box.left > leastForTwoLines && view.scale > smallScale) || selected;
  const room = view.scale > smallScale && box.right - box.left > (bed.name.length + words.length) * letter;
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
      <text
        x={box.left}
        y={box.top - (room || !roomBelow ? 6 : 20)}
        fontSize={14}
        fill="var(--ink)"
        stroke="var(--meadow)"
        strokeWidth={3}
        paintOrder="stroke"
      >
        <tspan fontWeight={700} data-hit>
          {bed.name}
        </tspan>{" "}
        {(room || roomBelow) && (
          <tspan
            fontSize={12.5}
            fill={forbids ? "var(--forbid)" : "var(--softInk)"}
            {...(room ? { dx: 7 } : { x: box.left, dy: 15 })}
          >
            {words}
          </tspan>
        )}
      </text>
    </g>
  );
}
