import { useId } from "react";

import { lookOf, spread, type Look } from "./stuff";

interface Props {
  vessel: string;
  making: string;
  dries: string;
  /** How full it is, 0 to 1. */
  full: number;
  seed: number;
  held?: boolean;
  bought?: boolean;
  opened?: boolean;
  width?: number;
}

const high = 108;
const wide = 76;

/** The outline of what is inside each vessel, and its mouth. */
const bodies: Record<string, { body: string; top: number; bottom: number; mouth: string }> = {
  jar: {
    body: "M16 18C16 24 8 26 8 36V96Q8 104 16 104H60Q68 104 68 96V36C68 26 60 24 60 18Z",
    top: 30,
    bottom: 103,
    mouth: "M14 8H62V18H14Z",
  },
  bottle: {
    body: "M31 22V38C31 46 18 48 18 60V97Q18 104 25 104H51Q58 104 58 97V60C58 48 45 46 45 38V22Z",
    top: 44,
    bottom: 103,
    mouth: "M33 10H43V22H33Z",
  },
  tin: {
    body: "M12 62H64V100Q64 104 60 104H16Q12 104 12 100Z",
    top: 64,
    bottom: 103,
    mouth: "M9 54H67V63H9Z",
  },
  bag: {
    body: "M14 40L20 34H56L62 40L66 98Q66 104 58 104H18Q10 104 10 98Z",
    top: 42,
    bottom: 103,
    mouth: "M20 26H56V34H20Z",
  },
};

/** JarPicture is a jar, bottle, tin or bag drawn as full as it is. It says nothing by itself: its words stand beside it. */
export function JarPicture({ vessel, making, dries, full, seed, held, bought, opened, width = wide }: Props) {
  const id = useId();
  const shape = bodies[vessel] ?? bodies.jar;
  if (!shape) return null;
  const look = lookOf(making, dries);
  const share = full <= 0 ? 0 : Math.max(0.035, Math.min(1, full));
  const level = shape.bottom - share * (shape.bottom - shape.top);
  return (
    <svg width={width} height={(width * high) / wide} viewBox={`0 0 ${wide} ${high}`} aria-hidden="true">
      <clipPath id={id}>
        <path d={shape.body} />
      </clipPath>
      <path d={shape.body} fill="var(--card)" />
      <g clipPath={`url(#${CSS.escape(id)})`}>
        <Contents look={look} level={level} bottom={shape.bottom} seed={seed} />
      </g>
      <path d={shape.body} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
      <path
        d={shape.mouth}
        fill={opened ? "var(--card)" : "var(--soil)"}
        stroke="var(--ink)"
        strokeWidth={1.4}
      />
      {bought && (
        <g>
          <rect
            x={15}
            y={52}
            width={46}
            height={18}
            fill="var(--card)"
            stroke="var(--softInk)"
            strokeDasharray="3 2"
          />
          <text x={38} y={65} textAnchor="middle" fontSize={12.5} fill="var(--ink)">
            bought
          </text>
        </g>
      )}
      {held && (
        <path
          d="M12 40L64 96M64 40L12 96"
          stroke="var(--forbid)"
          strokeWidth={4}
          strokeLinecap="round"
          fill="none"
        />
      )}
    </svg>
  );
}

function Contents({
  look,
  level,
  bottom,
  seed,
}: {
  look: Look;
  level: number;
  bottom: number;
  seed: number;
}) {
  if (level >= bottom) return null;
  if (look.shape === "liquid") {
    return (
      <>
        <rect x={0} y={level} width={wide} height={bottom - level + 2} fill={look.ground} />
        <path d={`M0 ${level}H${wide}`} stroke="var(--ink)" strokeOpacity={0.35} strokeWidth={1} />
      </>
    );
  }
  const heap = `M0 ${level + 4}C14 ${level - 3} 24 ${level + 5} 38 ${level}S62 ${level + 4} ${wide} ${level + 1}V${bottom + 4}H0Z`;
  const rise = bottom - level;
  const pieces = spread(Math.ceil((look.shape === "fine" ? 70 : 42) * Math.min(1, rise / 60)) + 3, seed + 1);
  return (
    <>
      <path d={heap} fill={look.ground} />
      {pieces.map((p, i) => (
        <Piece
          key={i}
          shape={look.shape}
          x={4 + p.x * (wide - 8)}
          y={level + 5 + p.y * Math.max(0, rise - 7)}
          turn={p.turn}
          fill={look.piece}
        />
      ))}
    </>
  );
}

function Piece({
  shape,
  x,
  y,
  turn,
  fill,
}: {
  shape: Look["shape"];
  x: number;
  y: number;
  turn: number;
  fill: string;
}) {
  const at = `translate(${x.toFixed(1)} ${y.toFixed(1)}) rotate(${turn})`;
  switch (shape) {
    case "leaf":
      return <path transform={at} d="M-4.5 0Q0 -2.6 4.5 0Q0 2.6 -4.5 0Z" fill={fill} />;
    case "flower":
      return <path transform={at} d="M0 -3L1 -1L3 0L1 1L0 3L-1 1L-3 0L-1 -1Z" fill={fill} />;
    case "seed":
      return <ellipse transform={at} rx={2.7} ry={1.4} fill={fill} />;
    case "chunk":
      return <rect transform={at} x={-3.4} y={-2.2} width={6.8} height={4.4} rx={1} fill={fill} />;
    default:
      return <circle transform={at} r={0.9} fill={fill} />;
  }
}
