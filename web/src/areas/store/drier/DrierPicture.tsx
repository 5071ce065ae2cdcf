import { Box } from "@mui/material";
import type { DragEvent } from "react";

import type { Schemas } from "../../../api/client";
import { Unseen } from "../../../parts/Unseen";
import { useWidth } from "../../../parts/useWidth";
import { lookOf, spread } from "../stuff";

interface Props {
  drier: Schemas["DrierView"];
  chosen: number;
  carried: boolean;
  onChoose: (tray: number) => void;
  onDrop: (tray: number) => (event: DragEvent) => void;
}

const rowHeight = 74;
const foot = 26;

/** DrierPicture is the drier from the side: a heap on each tray, and beside it from now on how it dries, dark to pale, to its
 * finish with its doubt. Each tray is a button in a list over the drawing. */
export function DrierPicture({ drier, chosen, carried, onChoose, onDrop }: Props) {
  const [box, width] = useWidth(760);
  const narrow = width < 560;
  const cabinet = narrow ? 118 : Math.min(260, width * 0.34);
  const from = cabinet + (narrow ? 8 : 26);
  const across = Math.max(60, width - from - 8);
  const x = (hours: number) => from + (Math.max(0, Math.min(drier.axis, hours)) / drier.axis) * across;
  const height = drier.trays.length * rowHeight + foot;
  return (
    <Box ref={box} sx={{ position: "relative", height: height + 8, mt: 1 }}>
      <svg width={width} height={height} aria-hidden="true" style={{ position: "absolute", left: 0, top: 0 }}>
        {drier.nights.map((night) => (
          <rect
            key={night.from}
            x={x(night.from)}
            y={0}
            width={x(night.to) - x(night.from)}
            height={height - foot}
            fill="var(--frost)"
            fillOpacity={0.25}
          />
        ))}
        <rect
          x={1}
          y={1}
          width={cabinet - 2}
          height={height - foot - 2}
          fill="var(--cane)"
          stroke="var(--ink)"
          strokeWidth={1.6}
        />
        {drier.ticks.map((tick) => (
          <g key={tick.at}>
            <path d={`M${x(tick.at)} 0V${height - foot}`} stroke="var(--rule)" strokeDasharray="3 3" />
            <text
              x={x(tick.at)}
              y={height - 8}
              fontSize={13}
              textAnchor={x(tick.at) > width - 60 ? "end" : "middle"}
              fill="var(--softInk)"
            >
              {x(tick.at) - from > 92 ? tick.words : ""}
            </text>
          </g>
        ))}
        <path d={`M${from} 0V${height - foot + 4}`} stroke="var(--bramble)" strokeWidth={2.5} />
        <text x={from} y={height - 8} fontSize={13} fill="var(--bramble)" fontWeight={700} textAnchor="start">
          {drier.nowWords.split(", ")[1]}
        </text>
        {drier.trays.map((tray, i) => (
          <g key={i} transform={`translate(0 ${i * rowHeight})`}>
            <Heap tray={tray} width={cabinet} floor={rowHeight - (narrow ? 36 : 24)} />
            {tray.lot && <Course lot={tray.lot} x={x} />}
          </g>
        ))}
      </svg>
      <Box
        component="ol"
        aria-label="Trays"
        sx={{ listStyle: "none", m: 0, p: 0, position: "absolute", inset: 0 }}
      >
        {drier.trays.map((tray, i) => (
          <Box component="li" key={i}>
            <Box
              component="button"
              disabled={!tray.lot}
              aria-pressed={tray.lot ? tray.number === chosen : undefined}
              onClick={() => onChoose(tray.number)}
              onDragOver={(event: DragEvent) => {
                if (!tray.lot) event.preventDefault();
              }}
              onDrop={tray.lot ? undefined : onDrop(tray.number)}
              sx={{
                all: "unset",
                boxSizing: "border-box",
                position: "absolute",
                left: 0,
                top: i * rowHeight,
                width: "100%",
                height: rowHeight,
                cursor: tray.lot ? "pointer" : "default",
                outline:
                  tray.lot && tray.number === chosen
                    ? "2px solid var(--bramble)"
                    : carried && !tray.lot
                      ? "2px dashed var(--bramble)"
                      : "none",
                outlineOffset: "-2px",
                "&:focus-visible": { outline: "3px solid var(--focus)" },
              }}
            >
              <Words tray={tray} left={narrow ? 8 : 10} right={from + 8} narrow={narrow} />
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function Words({
  tray,
  left,
  right,
  narrow,
}: {
  tray: Schemas["DrierTray"];
  left: number;
  right: number;
  narrow: boolean;
}) {
  const lot = tray.lot;
  return (
    <>
      <Box
        sx={{
          position: "absolute",
          left,
          bottom: 3,
          fontSize: narrow ? 12.5 : 13.5,
          width: narrow ? 106 : 240,
          lineHeight: 1.15,
        }}
      >
        {lot ? (
          <>
            <Unseen>Tray {tray.number}: </Unseen>
            <b>{lot.name}</b> {narrow ? lot.weighs : `${lot.fresh}, now ${lot.weighs}`}
          </>
        ) : (
          <span style={{ color: "var(--softInk)" }}>tray {tray.number} is free</span>
        )}
      </Box>
      {lot && (
        <Box sx={{ position: "absolute", left: right, top: 4, fontSize: 14, lineHeight: 1.2 }}>
          <Unseen>, dry </Unseen>
          <b>{lot.finish}</b>
          {lot.chance && <Box component="span"> · {lot.chance}</Box>}
          {(lot.lags || lot.tooWarm) && (
            <Box component="span" sx={{ color: "var(--clay)", fontWeight: 700 }}>
              {" "}
              · {lot.lags ? "dries late" : "too warm for it"}
            </Box>
          )}
        </Box>
      )}
    </>
  );
}

function Heap({ tray, width, floor }: { tray: Schemas["DrierTray"]; width: number; floor: number }) {
  const left = 10;
  const right = width - 10;
  const lot = tray.lot;
  const high = lot ? 10 + 22 * lot.waterLeft : 0;
  const look = lookOf("dried", lot?.dries ?? "");
  const top = Array.from({ length: 9 }, (_, i) => {
    const at = left + 6 + ((right - left - 12) * i) / 8;
    const rise = i === 0 || i === 8 ? 0.35 : 1 - 0.16 * ((i * 7) % 3);
    return `${at.toFixed(1)} ${(floor - high * rise).toFixed(1)}`;
  });
  // It pales as it dries.
  const ground = lot
    ? `color-mix(in srgb, ${look.piece} ${Math.round(30 + 70 * lot.waterLeft)}%, var(--card))`
    : "";
  return (
    <>
      {lot && <path d={`M${left + 4} ${floor}L${top.join("L")}L${right - 4} ${floor}Z`} fill={ground} />}
      {lot &&
        spread(14, lot.lotId).map((p, i) => (
          <path
            key={i}
            transform={`translate(${(left + 10 + p.x * (right - left - 20)).toFixed(1)} ${(floor - 4 - p.y * high * 0.6).toFixed(1)}) rotate(${p.turn})`}
            d="M-4 0Q0 -2.2 4 0Q0 2.2 -4 0Z"
            fill="var(--card)"
            fillOpacity={0.45}
          />
        ))}
      <path
        d={`M${left} ${floor - 6}V${floor}H${right}V${floor - 6}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.8}
      />
      <path d={`M${left} ${floor + 2}H${right}`} stroke="var(--ink)" strokeDasharray="2 3" />
    </>
  );
}

/** Course is how a tray dries from now on: as broad as it is wet, its end as wide as its doubt. */
function Course({ lot, x }: { lot: Schemas["DryingView"]; x: (hours: number) => number }) {
  const middle = 46;
  const half = (left: number) => 1.2 + 11 * left;
  const step = Math.max(1, Math.ceil(lot.late / 48));
  const points = lot.curve
    .map((left, i) => ({ at: x(i * step), left }))
    .filter((_, i) => i * step <= Math.max(lot.middle, step));
  if (points.length === 0) return null;
  const upper = points.map((p) => `${p.at.toFixed(1)} ${(middle - half(p.left)).toFixed(1)}`);
  const lower = [...points].reverse().map((p) => `${p.at.toFixed(1)} ${(middle + half(p.left)).toFixed(1)}`);
  const early = x(lot.early);
  const late = Math.max(x(lot.late), early + 3);
  return (
    <>
      <path d={`M${upper.join("L")}L${lower.join("L")}Z`} fill="var(--leaf)" fillOpacity={0.75} />
      <path
        d={`M${early} ${middle - 4}L${late} ${middle - 10}V${middle + 10}L${early} ${middle + 4}Z`}
        fill="var(--straw)"
        stroke="var(--ink)"
        strokeWidth={1.2}
      />
      <path d={`M${x(lot.middle)} ${middle - 8}V${middle + 8}`} stroke="var(--ink)" strokeWidth={1.6} />
    </>
  );
}
