import { Box } from "@mui/material";
import { useRef, type KeyboardEvent, type PointerEvent } from "react";

import { landPath, north, south } from "./land";

export interface Spot {
  latitude: number;
  longitude: number;
}

interface Props {
  spot?: Spot;
  onSpot: (spot: Spot) => void;
}

const within = (value: number, low: number, high: number) => Math.max(low, Math.min(high, value));

const arrows: Record<string, [east: number, up: number]> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** degrees says a latitude or longitude as it is read: 46.5° north. */
export const degrees = (value: number, above: string, below: string) =>
  `${Math.abs(Math.round(value * 10) / 10)}° ${value < 0 ? below : above}`;

/** WorldMap is the world, small: a touch or the arrow keys say about where the plot lies. */
export function WorldMap({ spot, onSpot }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const touch = (event: PointerEvent) => {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return;
    const x = (event.clientX - box.left) / box.width;
    const y = (event.clientY - box.top) / box.height;
    onSpot({
      longitude: within(Math.round((x * 360 - 180) * 10) / 10, -180, 180),
      latitude: within(Math.round((north - y * (north - south)) * 10) / 10, -90, 90),
    });
  };
  const move = (event: KeyboardEvent) => {
    const [east, up] = arrows[event.key] ?? [0, 0];
    if (!east && !up) return;
    event.preventDefault();
    const step = event.shiftKey ? 10 : 1;
    const from = spot ?? { latitude: 45, longitude: 0 };
    onSpot({
      latitude: within(from.latitude + up * step, south, north),
      longitude: within(from.longitude + east * step, -180, 180),
    });
  };
  const words = spot
    ? `${degrees(spot.latitude, "north", "south")}, ${degrees(spot.longitude, "east", "west")}`
    : "nowhere yet";
  return (
    <Box
      component="svg"
      ref={svg}
      viewBox={`0 0 360 ${north - south}`}
      role="slider"
      tabIndex={0}
      aria-label="Where the plot lies, on a map of the world"
      aria-valuemin={south}
      aria-valuemax={north}
      aria-valuenow={spot?.latitude ?? 0}
      aria-valuetext={words}
      onPointerDown={touch}
      onKeyDown={move}
      sx={{
        display: "block",
        width: "100%",
        border: "1px solid var(--rule)",
        background: "var(--card)",
        cursor: "crosshair",
        touchAction: "manipulation",
      }}
    >
      <path d={landPath} fill="var(--lichen)" stroke="var(--softInk)" strokeWidth={0.25} />
      {[66.5, 23.4, 0, -23.4].map((latitude) => (
        <path
          key={latitude}
          d={`M0 ${north - latitude}H360`}
          stroke="var(--softInk)"
          strokeWidth={latitude === 0 ? 0.4 : 0.25}
          strokeDasharray={latitude === 0 ? undefined : "2 2"}
        />
      ))}
      {spot && (
        <g transform={`translate(${spot.longitude + 180} ${north - spot.latitude})`}>
          <path d="M0 0 L0 -11" stroke="var(--bramble)" strokeWidth={1.2} />
          <path d="M0 -11 L8 -8.5 L0 -6Z" fill="var(--bramble)" />
          <circle r={1.6} fill="var(--bramble)" stroke="var(--card)" strokeWidth={0.5} />
        </g>
      )}
    </Box>
  );
}
