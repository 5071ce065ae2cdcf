import type { ReactNode } from "react";

import { SpeciesShape } from "./likeness/SpeciesShape";
import { useLikeness } from "./likeness/useLikeness";

/** The stages as the server names them. */
export type Stage = string;

const stem = { stroke: "var(--ink)", strokeWidth: 2.6, fill: "none", strokeLinecap: "round" } as const;
const blade = { fill: "var(--leaf)", stroke: "none" } as const;

/** leaves draws a pair of leaves that spring from the stem at a height and reach a width to either side. */
function Leaves({ y, reach, droop = 0 }: { y: number; reach: number; droop?: number }) {
  const side = (s: 1 | -1) => {
    const tip = 20 + s * reach;
    const end = y - 4 + droop;
    return `M20 ${y} C${20 + s * reach * 0.35} ${y - 6 + droop} ${20 + s * reach * 0.8} ${end - 3} ${tip} ${end} C${20 + s * reach * 0.75} ${y + 2 + droop} ${20 + s * reach * 0.3} ${y + 3} 20 ${y}Z`;
  };
  return <path d={`${side(1)} ${side(-1)}`} {...blade} />;
}

const body = (
  <>
    <Leaves y={33} reach={13} />
    <Leaves y={26} reach={12} />
  </>
);

const rays = [-58, -29, 0, 29, 58];

function Umbel({ seed }: { seed: ReactNode }) {
  return (
    <>
      {rays.map((angle) => {
        const turn = (angle * Math.PI) / 180;
        return (
          <path
            key={angle}
            d={`M20 17 L${20 + Math.sin(turn) * 9.5} ${17 - Math.cos(turn) * 9.5}`}
            {...stem}
            strokeWidth={1.7}
          />
        );
      })}
      {seed}
    </>
  );
}

const tips = rays.map((angle) => {
  const turn = (angle * Math.PI) / 180;
  return [20 + Math.sin(turn) * 10.5, 17 - Math.cos(turn) * 10.5] as const;
});

function Flower({ petals, radius }: { petals: number; radius: number }) {
  return (
    <>
      {Array.from({ length: petals }, (_, i) => {
        const turn = (i / petals) * 2 * Math.PI;
        return (
          <circle
            key={i}
            cx={20 + Math.sin(turn) * radius}
            cy={10 - Math.cos(turn) * radius}
            r={radius * 0.62}
            fill="var(--bramble)"
            stroke="var(--card)"
            strokeWidth={0.7}
          />
        );
      })}
      <circle cx={20} cy={10} r={radius * 0.55} fill="var(--straw)" />
    </>
  );
}

/** Each stage has a shape of its own, so that none is told by colour alone. */
const shapes: Record<Stage, ReactNode> = {
  resting: <path d="M13 36 C14 30 26 30 27 36 M17 31.5 C18 29.5 22 29.5 23 31.5" {...stem} />,
  shooting: (
    <>
      <path d="M20 36 V26" {...stem} />
      <path d="M20 27 C21 20 28 19 30 21 C29 25 24 28 20 27Z" {...blade} />
    </>
  ),
  leafing: (
    <>
      <path d="M20 36 V19" {...stem} />
      <Leaves y={32} reach={12} />
      <path d="M20 24 C21 18 27 17 29 18.5 C28 22.5 24 25 20 24Z" {...blade} />
    </>
  ),
  "full leaf": (
    <>
      <path d="M20 36 V14" {...stem} />
      {body}
      <Leaves y={19} reach={9} />
    </>
  ),
  "in bud": (
    <>
      <path d="M20 36 V16" {...stem} />
      {body}
      <ellipse
        cx={20}
        cy={10.5}
        rx={3.6}
        ry={6}
        fill="var(--card)"
        stroke="var(--bramble)"
        strokeWidth={2.6}
      />
    </>
  ),
  "first flower": (
    <>
      <path d="M20 36 V13 M20 20 L28 12" {...stem} />
      {body}
      <g transform="translate(-1 0)">
        <Flower petals={5} radius={4} />
      </g>
      <ellipse
        cx={29}
        cy={9.5}
        rx={2.2}
        ry={3.6}
        transform="rotate(35 29 9.5)"
        fill="var(--card)"
        stroke="var(--bramble)"
        strokeWidth={2}
      />
    </>
  ),
  "full flower": (
    <>
      <path d="M20 36 V15" {...stem} />
      {body}
      <Flower petals={7} radius={6} />
    </>
  ),
  "setting seed": (
    <>
      <path d="M20 36 V17" {...stem} />
      {body}
      <Umbel
        seed={tips.map(([x, y]) => (
          <circle key={x} cx={x} cy={y} r={2.3} fill="var(--card)" stroke="var(--ink)" strokeWidth={1.5} />
        ))}
      />
    </>
  ),
  ripe: (
    <>
      <path d="M20 36 V17" {...stem} />
      <Leaves y={33} reach={11} droop={2} />
      <Umbel
        seed={tips.map(([x, y]) => (
          <path
            key={x}
            d={`M${x} ${y - 3.2} L${x + 2.8} ${y + 1.8} L${x - 2.8} ${y + 1.8}Z`}
            fill="var(--straw)"
            stroke="var(--ink)"
            strokeWidth={1.1}
          />
        ))}
      />
    </>
  ),
  "dying back": (
    <>
      <path d="M20 36 V20 C20 12 27 11 29 16" {...stem} />
      <path d="M20 33 C15 29 10 31 8 36 M20 28 C26 25 31 29 32 35" {...stem} stroke="var(--straw)" />
    </>
  ),
};

interface SprigProps {
  stage: Stage;
  /** The plant that is drawn; without one the drawing says the stage alone. */
  species?: string;
  size?: number;
  /** Empty where words beside it say the stage already. */
  label?: string;
}

/** fineFrom is the size in pixels from which the teeth of a leaf can be seen. */
const fineFrom = 90;

/** Sprig is a plant at a stage, drawn small. */
export function Sprig({ stage, species, size = 40, label = stage }: SprigProps) {
  const { likeness, waits } = useLikeness(species);
  return (
    <svg
      width={size}
      height={size}
      viewBox={!likeness ? "0 0 40 40" : size >= fineFrom ? "-3 0 106 98" : "9 13 82 84"}
      role={label ? "img" : undefined}
      aria-label={label || undefined}
      aria-hidden={label ? undefined : true}
      style={{ flex: "none", display: "block", overflow: "visible" }}
    >
      {likeness ? (
        <SpeciesShape likeness={likeness} stage={stage} fine={size >= fineFrom} />
      ) : (
        !waits && <SprigShape stage={stage} />
      )}
    </svg>
  );
}

/** SprigShape is the drawing alone, on a field of 40 by 40, for use inside a larger drawing. */
export function SprigShape({ stage, species }: { stage: Stage; species?: string }) {
  const { likeness, waits } = useLikeness(species);
  if (likeness) {
    return (
      <g transform="scale(0.476) translate(-8 -13)">
        <SpeciesShape likeness={likeness} stage={stage} />
      </g>
    );
  }
  return waits ? null : <use href={`#${nameOf(stage)}`} />;
}

const nameOf = (stage: Stage) => `sprig-${stage.replaceAll(" ", "-")}`;

/** SprigSheet holds every stage's drawing once on the page: a plan shows hundreds of them. */
export function SprigSheet() {
  return (
    <svg width={0} height={0} aria-hidden style={{ position: "absolute" }}>
      <defs>
        {Object.entries(shapes).map(([stage, shape]) => (
          <g key={stage} id={nameOf(stage)}>
            <path
              d="M6 36.5 H34"
              stroke="var(--softInk)"
              strokeWidth={1.6}
              strokeLinecap="round"
              opacity={0.75}
            />
            {shape}
          </g>
        ))}
      </defs>
    </svg>
  );
}
