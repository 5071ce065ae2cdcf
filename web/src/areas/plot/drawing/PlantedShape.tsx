import { SprigShape } from "../../../parts/Sprig";
import { onClick, onEnter } from "./BedShape";
import { FitMark, Drops } from "./marks";
import { plus, type Point } from "./geometry";
import { pathOf } from "./paths";
import type { Planted } from "./things";
import type { Layer } from "./layers";
import type { View } from "./useView";

const smallestSprig = 19;
const largestSprig = 44;

interface Props {
  planted: Planted;
  view: View;
  by: Point;
  layer: Layer;
  use: string;
  selected: boolean;
  /** Where what the layer says of it has room, and its name. */
  chip?: Point;
  named?: Point;
  onChoose: (more: boolean) => void;
}

/** PlantedShape is one planting: each plant at its width, with what the layer says of it. */
export function PlantedShape({ planted, view, by, layer, use, selected, chip, named, onChoose }: Props) {
  const unproven = planted.identity !== "sure";
  const radius = Math.max(3, (planted.plantM / 2) * view.scale);
  const spots = planted.spots.map((p) => view.at(plus(p, by)));
  const middle = view.at(plus(planted.middle, by));
  const width = planted.widthM * view.scale;
  const depth = planted.depthM * view.scale;
  const spacing = Math.sqrt((width * depth) / Math.max(1, spots.length));
  const sprigSize = Math.min(largestSprig, Math.max(smallestSprig, radius * 1.5), spacing * 0.9);
  const eachHasRoom = layer === "stage" && sprigSize >= smallestSprig;
  const shared = Math.min(largestSprig, Math.max(18, Math.min(width, depth) * 0.42));
  const forbids = planted.ground.some((g) => g.forbids);
  const groundWords = forbids ? "not for use" : "tree's ground";
  const saysGround = layer === "ground" && chip !== undefined;
  const shift = { x: by.x * view.scale, y: by.y * view.scale };
  const dim = layer === "use" && !planted.uses.includes(use);
  const sprig = (at: Point, size: number) => (
    <g
      key={`${at.x},${at.y}`}
      transform={`translate(${at.x - size / 2} ${at.y - size / 2}) scale(${size / 40})`}
      pointerEvents="none"
    >
      <use href={`#planted-${planted.id}`} />
    </g>
  );
  return (
    <>
      <g
        role="button"
        tabIndex={0}
        aria-label={`${planted.name}, ${planted.bed}, ${planted.stageWords}${unproven ? ", unproven" : ""}${forbids ? ", not for use" : ""}${saysGround && !forbids ? `, ${groundWords}` : ""}`}
        aria-pressed={selected}
        onClick={onClick(onChoose)}
        onKeyDown={onEnter(onChoose)}
        style={{ cursor: "pointer" }}
        opacity={dim ? 0.28 : 1}
        data-planting={planted.id}
      >
        <path
          d={pathOf([planted.outline.map((p) => plus(p, by))], view)}
          fill="transparent"
          stroke={selected ? "var(--bramble)" : "none"}
          strokeWidth={2.5}
        />
        {spots.map((at, i) => (
          <circle
            key={`${at.x},${at.y}`}
            cx={at.x}
            cy={at.y}
            r={radius}
            fill={layer === "use" && !dim ? "var(--straw)" : "var(--lichen)"}
            fillOpacity={0.85}
            stroke={forbids ? "var(--forbid)" : planted.open ? "var(--leaf)" : "var(--softInk)"}
            strokeWidth={planted.open || forbids ? 2.2 : 1}
            strokeDasharray={unproven ? "4 3" : undefined}
            data-hit={i === 0 ? "" : undefined}
          />
        ))}
        {layer === "stage" && (
          // A bed of forty plants draws one and repeats it.
          <defs>
            <g id={`planted-${planted.id}`}>
              <SprigShape species={planted.speciesId} stage={planted.stage} />
            </g>
          </defs>
        )}
        {eachHasRoom && spots.map((at) => sprig(at, sprigSize))}
        {eachHasRoom &&
          planted.open &&
          radius < sprigSize * 0.6 &&
          spots.map((at) => (
            // The sprig hides a small plant's own circle, and the ring must be seen.
            <circle
              key={`${at.x},${at.y}`}
              cx={at.x}
              cy={at.y}
              r={sprigSize * 0.6}
              fill="none"
              stroke="var(--leaf)"
              strokeWidth={2}
              pointerEvents="none"
            />
          ))}
        {!eachHasRoom && layer === "stage" && (
          <>
            <circle
              cx={middle.x}
              cy={middle.y}
              r={shared * 0.56}
              fill="var(--card)"
              fillOpacity={0.82}
              stroke={planted.open ? "var(--leaf)" : "none"}
              strokeWidth={2}
              pointerEvents="none"
            />
            {sprig(middle, shared)}
          </>
        )}
        {layer === "fit" && chip && <FitMark at={plus(chip, shift)} verdict={planted.verdict} />}
        {layer === "water" && chip && <Drops at={plus(chip, shift)} water={planted.water} />}
        {named && (
          <text
            {...plus(named, shift)}
            data-label
            fontSize={11.5}
            textAnchor="middle"
            fill="var(--ink)"
            stroke="var(--soil)"
            strokeWidth={3}
            paintOrder="stroke"
            pointerEvents="none"
          >
            {planted.name}
          </text>
        )}
        <title>{planted.name}</title>
      </g>
      {saysGround && (
        <text
          x={chip.x + shift.x}
          y={chip.y + shift.y + 4}
          data-label
          aria-hidden
          fontSize={12}
          fontWeight={700}
          textAnchor="middle"
          fill={forbids ? "var(--forbid)" : "var(--clay)"}
          stroke="var(--card)"
          strokeWidth={4}
          paintOrder="stroke"
          pointerEvents="none"
        >
          {groundWords}
        </text>
      )}
    </>
  );
}
