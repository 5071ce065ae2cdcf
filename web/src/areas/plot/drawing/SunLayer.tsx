import { useMemo } from "react";

import type { Schemas } from "../../../api/client";
import { useLook } from "../../../parts/LookProvider";
import { looks } from "../../../parts/tokens";
import { pathOf } from "./paths";
import type { View } from "./useView";

/** heatOf paints the hours of sun, a cell for each pixel: shade in ink, sun in straw. */
function heatOf(light: Schemas["LightView"], shade: string, sun: string): string {
  const canvas = document.createElement("canvas");
  canvas.width = light.columns;
  canvas.height = light.rows;
  const context = canvas.getContext("2d");
  if (!context) return "";
  light.hours.forEach((hours, i) => {
    if (hours < 0) return;
    const share = light.openHours > 0 ? hours / light.openHours : 0;
    context.globalAlpha = share < 0.5 ? 0.62 - share * 0.9 : (share - 0.5) * 1.1 + 0.12;
    context.fillStyle = share < 0.5 ? shade : sun;
    context.fillRect(i % light.columns, Math.floor(i / light.columns), 1, 1);
  });
  return canvas.toDataURL();
}

/** SunLayer is the hours of direct sun on the shown day over the whole plot. */
export function SunLayer({ light, view }: { light: Schemas["LightView"]; view: View }) {
  const { look } = useLook();
  const { water, straw } = looks[look];
  const heat = useMemo(() => heatOf(light, water, straw), [light, water, straw]);
  return (
    <image
      href={heat}
      x={view.x(0)}
      y={view.y(0)}
      width={light.columns * light.stepM * view.scale}
      height={light.rows * light.stepM * view.scale}
      preserveAspectRatio="none"
      pointerEvents="none"
    />
  );
}

/** ShadowLayer is where the shadows lie, as one: those that overlap are no darker. */
export function ShadowLayer({ outlines, view }: { outlines: { x: number; y: number }[][]; view: View }) {
  return (
    <g opacity={0.36} pointerEvents="none">
      {outlines.map((outline, i) => (
        <path
          key={i}
          d={pathOf([outline], view)}
          fill="var(--shadow)"
          stroke="var(--shadow)"
          strokeWidth={0.6}
        />
      ))}
    </g>
  );
}

/** SunArrow points to where the sun stands, at the edge of the drawing. */
export function SunArrow({ shadows, view }: { shadows: Schemas["ShadowsView"]; view: View }) {
  if (shadows.altitude <= 0) return null;
  const reach = Math.min(view.width, view.height) / 2 - 26;
  const x = view.width / 2 + shadows.toward.x * reach;
  const y = view.height / 2 + shadows.toward.y * reach;
  return (
    <g transform={`translate(${x} ${y})`} pointerEvents="none" role="img" aria-label={shadows.words}>
      <circle r={11} fill="var(--straw)" stroke="var(--ink)" strokeWidth={1.4} />
      <text y={4} fontSize={11} fontWeight={700} textAnchor="middle" fill="#2A1F2D">
        {Math.round(shadows.altitude)}°
      </text>
    </g>
  );
}
