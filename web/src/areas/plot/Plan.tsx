import { Box, Button, ButtonGroup } from "@mui/material";
import { useState, type KeyboardEvent } from "react";

import type { Schemas } from "../../api/client";
import { SprigShape } from "../../parts/Sprig";
import { useWidth } from "../../parts/useWidth";

type Bed = Schemas["BedView"];
type Planted = Schemas["PlantedView"];

export interface Selection {
  planting?: number;
  bed?: number;
}

interface Props {
  plot: Schemas["PlotView"];
  selection: Selection;
  onSelect: (selection: Selection) => void;
}

interface Frame {
  x: number;
  y: number;
  width: number;
  depth: number;
}

const margin = 1.6;
const planHeight = 560;

/** aroundBeds is the part of the plot that the beds lie in. */
function aroundBeds(plot: Schemas["PlotView"]): Frame {
  if (plot.beds.length === 0) return { x: 0, y: 0, width: plot.widthM, depth: plot.depthM };
  const reach = (bed: Bed) => {
    const turn = (bed.turn * Math.PI) / 180;
    const across = Math.abs(Math.cos(turn));
    const down = Math.abs(Math.sin(turn));
    return [
      (bed.widthM * across + bed.depthM * down) / 2,
      (bed.widthM * down + bed.depthM * across) / 2,
    ] as const;
  };
  const edges = plot.beds.map((bed) => {
    const [x, y] = reach(bed);
    return { left: bed.xM - x, right: bed.xM + x, top: bed.yM - y, bottom: bed.yM + y };
  });
  const x = Math.max(0, Math.min(...edges.map((e) => e.left)) - margin);
  const y = Math.max(0, Math.min(...edges.map((e) => e.top)) - margin - 0.6);
  const right = Math.min(plot.widthM, Math.max(...edges.map((e) => e.right)) + margin);
  const bottom = Math.min(plot.depthM, Math.max(...edges.map((e) => e.bottom)) + margin);
  return { x, y, width: right - x, depth: bottom - y };
}

/** Plan is the scaled plan of the plot, with plantings at their size and stage on the shown day. */
export function Plan({ plot, selection, onSelect }: Props) {
  const [box, room] = useWidth(760);
  const [whole, setWhole] = useState(false);
  const [zoom, setZoom] = useState(1);
  const frame = whole ? { x: 0, y: 0, width: plot.widthM, depth: plot.depthM } : aroundBeds(plot);
  const fit = Math.min(room / frame.width, planHeight / frame.depth);
  const scale = fit * zoom;
  const width = frame.width * scale;
  const height = frame.depth * scale;
  return (
    <Box sx={{ minWidth: 0, flex: 1 }}>
      <Box
        ref={box}
        sx={{
          border: "1px solid var(--rule)",
          background: "var(--meadow)",
          overflow: "auto",
          maxHeight: planHeight + 20,
        }}
      >
        <svg
          width={width}
          height={height}
          role="group"
          aria-label="Plan of the plot"
          style={{ display: "block", margin: "0 auto" }}
        >
          <Hatch />
          <rect width={width} height={height} fill="var(--meadow)" onClick={() => onSelect({})} />
          <g transform={`scale(${scale}) translate(${-frame.x} ${-frame.y})`}>
            <rect
              width={plot.widthM}
              height={plot.depthM}
              fill="none"
              stroke="var(--softInk)"
              strokeWidth={1.5 / scale}
              strokeDasharray={`${8 / scale} ${5 / scale}`}
            />
          </g>
          {plot.beds.map((bed) => (
            <g
              key={bed.id}
              transform={`translate(${(bed.xM - frame.x) * scale} ${(bed.yM - frame.y) * scale}) rotate(${bed.turn})`}
            >
              <BedShape
                bed={bed}
                scale={scale}
                selected={selection.bed === bed.id}
                onSelect={() => onSelect({ bed: bed.id })}
              />
              {bed.plantings.map((planted) => (
                <PlantedShape
                  key={planted.id}
                  planted={planted}
                  turn={bed.turn}
                  scale={scale}
                  selected={selection.planting === planted.id}
                  onSelect={() => onSelect({ planting: planted.id })}
                />
              ))}
            </g>
          ))}
          <g transform={`translate(14 ${height - 14})`} aria-hidden>
            <path
              d={`M0 -5 V0 H${plot.scaleM * scale} V-5`}
              stroke="var(--ink)"
              strokeWidth={1.6}
              fill="none"
            />
            <text x={plot.scaleM * scale + 7} y={2} fontSize={13} fill="var(--ink)">
              {plot.scaleText}
            </text>
          </g>
          <g transform={`translate(${width - 24} 40)`} role="img" aria-label="North is up">
            <path d="M0 -22 L6 2 L0 -3 L-6 2Z" fill="var(--ink)" />
            <text y={17} textAnchor="middle" fontSize={13} fill="var(--ink)">
              N
            </text>
          </g>
        </svg>
      </Box>
      <Box
        sx={{ display: "flex", gap: 1.5, alignItems: "center", mt: 1, flexWrap: "wrap" }}
        className="no-print"
      >
        <ButtonGroup size="small" aria-label="Zoom">
          <Button onClick={() => setZoom(Math.max(1, zoom / 1.4))} aria-label="Smaller">
            −
          </Button>
          <Button onClick={() => setZoom(Math.min(6, zoom * 1.4))} aria-label="Larger">
            +
          </Button>
          <Button
            onClick={() => {
              setWhole(!whole);
              setZoom(1);
            }}
          >
            {whole ? "The beds" : "The whole plot"}
          </Button>
        </ButtonGroup>
        <Box sx={{ color: "text.secondary", fontSize: 14 }}>
          {plot.areaWords} in all. A circle is a plant at its size on the day; a green ring: something may be
          taken.
        </Box>
      </Box>
    </Box>
  );
}

function Hatch() {
  return (
    <defs>
      <pattern id="unsafe" width={9} height={9} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width={2.2} height={9} fill="var(--forbid)" opacity={0.4} />
      </pattern>
    </defs>
  );
}

const onEnter = (act: () => void) => (event: KeyboardEvent) => {
  if (event.key === "Enter" || event.key === " ") {
    event.preventDefault();
    act();
  }
};

interface ShapeProps {
  scale: number;
  selected: boolean;
  onSelect: () => void;
}

function BedShape({ bed, scale, selected, onSelect }: ShapeProps & { bed: Bed }) {
  const width = bed.widthM * scale;
  const depth = bed.depthM * scale;
  const about = `${bed.words}${bed.unsafe ? ` · not for use: ${bed.unsafe}` : ""}`;
  const room = width > 210;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`Bed ${bed.name}, ${about}`}
      aria-pressed={selected}
      onClick={onSelect}
      onKeyDown={onEnter(onSelect)}
      style={{ cursor: "pointer" }}
    >
      <rect
        x={-width / 2}
        y={-depth / 2}
        width={width}
        height={depth}
        rx={4}
        fill="var(--soil)"
        stroke={selected ? "var(--bramble)" : "var(--softInk)"}
        strokeWidth={selected ? 3 : 1.2}
      />
      {bed.unsafe && (
        <rect
          x={-width / 2}
          y={-depth / 2}
          width={width}
          height={depth}
          rx={4}
          fill="url(#unsafe)"
          pointerEvents="none"
        />
      )}
      <text x={-width / 2} y={-depth / 2 - (room ? 6 : 20)} fontSize={14} fill="var(--ink)">
        <tspan fontWeight={700}>{bed.name}</tspan>
        <tspan
          fontSize={12.5}
          fill={bed.unsafe ? "var(--forbid)" : "var(--softInk)"}
          {...(room ? { dx: 7 } : { x: -width / 2, dy: 15 })}
        >
          {about}
        </tspan>
      </text>
    </g>
  );
}

const smallestSprig = 19;
const letterWidth = 6.1;
const largestSprig = 44;

function PlantedShape({
  planted,
  turn,
  scale,
  selected,
  onSelect,
}: ShapeProps & { planted: Planted; turn: number }) {
  const radius = Math.max(3, (planted.plantM / 2) * scale);
  const x = planted.middle.x * scale;
  const y = planted.middle.y * scale;
  const width = planted.widthM * scale;
  const depth = planted.depthM * scale;
  const unproven = planted.identity !== "sure";
  const spacing = Math.sqrt((width * depth) / Math.max(1, planted.spots.length));
  const sprigSize = Math.min(largestSprig, Math.max(smallestSprig, radius * 1.5), spacing * 0.9);
  const eachHasRoom = sprigSize >= smallestSprig;
  const shared = Math.min(largestSprig, Math.max(18, Math.min(width, depth) * 0.42));
  const sprig = (cx: number, cy: number, size: number) => (
    <g
      key={`${cx},${cy}`}
      transform={`translate(${cx} ${cy}) rotate(${-turn}) translate(${-size / 2} ${-size / 2}) scale(${size / 40})`}
    >
      <SprigShape stage={planted.stage} />
    </g>
  );
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${planted.name}, ${planted.bed}, ${planted.stageWords}${unproven ? ", unproven" : ""}`}
      aria-pressed={selected}
      onClick={onSelect}
      onKeyDown={onEnter(onSelect)}
      style={{ cursor: "pointer" }}
      data-planting={planted.id}
    >
      <rect
        x={x - width / 2}
        y={y - depth / 2}
        width={width}
        height={depth}
        fill="transparent"
        stroke={selected ? "var(--bramble)" : "none"}
        strokeWidth={2.5}
        rx={4}
      />
      {planted.spots.map((spot) => (
        <circle
          key={`${spot.x},${spot.y}`}
          cx={spot.x * scale}
          cy={spot.y * scale}
          r={radius}
          fill="var(--lichen)"
          fillOpacity={0.85}
          stroke={planted.open ? "var(--leaf)" : "var(--softInk)"}
          strokeWidth={planted.open ? 2.4 : 1}
          strokeDasharray={unproven ? "4 3" : undefined}
        />
      ))}
      {eachHasRoom ? (
        planted.spots.map((spot) => sprig(spot.x * scale, spot.y * scale, sprigSize))
      ) : (
        <>
          <circle cx={x} cy={y} r={shared * 0.56} fill="var(--card)" fillOpacity={0.82} />
          {sprig(x, y, shared)}
        </>
      )}
      {planted.name.length * letterWidth < width && (
        <text
          x={x}
          y={y + depth / 2 - 4}
          fontSize={11.5}
          textAnchor="middle"
          fill="var(--ink)"
          stroke="var(--soil)"
          strokeWidth={3}
          paintOrder="stroke"
        >
          {planted.name}
        </text>
      )}
      <title>{planted.name}</title>
    </g>
  );
}
