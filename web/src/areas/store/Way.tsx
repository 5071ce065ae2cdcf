import { Box } from "@mui/material";

import type { Schemas } from "../../api/client";

type Step = Schemas["WayStep"];

const row = 74;
const trunk = 64;
const widest = 74;

/** breadthOf is how broad the way is for a weight: what is left of the most that ever was on it. */
const breadthOf = (grams: number, most: number) => (grams <= 0 ? 0 : Math.max(1.6, (grams / most) * widest));

const colours: Record<string, string> = {
  picked: "--leaf",
  sorted: "--leaf",
  in: "--lichen",
  made: "--lichen",
  jar: "--lichen",
  left: "--lichen",
};

/**
 * Way is the way of what is in a jar from its bed on: as broad as it weighs, with what parted from it at each station. The
 * words stand beside the drawing.
 */
export function Way({ steps }: { steps: Step[] }) {
  if (steps.length === 0) return null;
  const most = Math.max(...steps.map((step) => step.grams), 1e-6);
  const height = steps.length * row;
  return (
    <Box
      component="ol"
      aria-label="Its way"
      sx={{ position: "relative", listStyle: "none", m: 0, p: 0, pl: "150px", minHeight: height }}
    >
      <svg width={146} height={height} aria-hidden="true" style={{ position: "absolute", left: 0, top: 0 }}>
        {steps.map((step, i) => {
          const from = breadthOf(i === 0 ? step.grams : (steps[i - 1]?.grams ?? step.grams), most);
          const to = breadthOf(step.grams, most);
          const y = i * row + row / 2;
          const before = i === 0 ? y : y - row;
          const half = (before + y) / 2;
          const fill = step.held ? "--forbid" : (colours[step.kind] ?? "--lichen");
          return (
            <g key={i}>
              {i > 0 && (
                <path
                  d={`M${trunk - from / 2} ${before}C${trunk - from / 2} ${half} ${trunk - to / 2} ${half} ${trunk - to / 2} ${y}L${trunk + to / 2} ${y}C${trunk + to / 2} ${half} ${trunk + from / 2} ${half} ${trunk + from / 2} ${before}Z`}
                  fill={`var(${fill})`}
                  fillOpacity={0.75}
                />
              )}
              {step.leaves
                .filter((leaf) => leaf.kind !== "jar")
                .map((leaf, k) => (
                  <path
                    key={k}
                    d={`M${trunk + to / 2 - 1} ${y - 12 + 8 * k}C${trunk + 40} ${y - 14 + 8 * k} ${trunk + 46} ${y + 8 * k} 144 ${y + 4 + 8 * k}`}
                    fill="none"
                    stroke={`var(${leaf.kind === "used" ? "--leaf" : leaf.kind === "given" ? "--straw" : "--clay"})`}
                    strokeOpacity={0.8}
                    strokeWidth={Math.min(10, Math.max(1.6, breadthOf(leaf.grams, most) / 3))}
                  />
                ))}
              {step.joins.map((join, k) => (
                <path
                  key={k}
                  d={`M2 ${y - 22 + 8 * k}C26 ${y - 22 + 8 * k} ${trunk - 22} ${y - 6} ${trunk - to / 2} ${y}`}
                  fill="none"
                  stroke="var(--water)"
                  strokeOpacity={0.7}
                  strokeWidth={Math.min(10, Math.max(1.6, breadthOf(join.grams, most) / 3))}
                />
              ))}
            </g>
          );
        })}
        {steps.map((_, i) => (
          <circle
            key={i}
            cx={trunk}
            cy={i * row + row / 2}
            r={5}
            fill="var(--card)"
            stroke="var(--bramble)"
            strokeWidth={2}
          />
        ))}
      </svg>
      {steps.map((step, i) => (
        <Box
          component="li"
          key={i}
          sx={{
            height: row,
            display: "flex",
            flexDirection: "column",
            justifyContent: "center",
            lineHeight: 1.25,
            overflow: "hidden",
          }}
        >
          <Box sx={{ fontSize: 13.5, color: "text.secondary" }}>{step.when}</Box>
          <Box sx={{ fontSize: 15 }}>
            <b>{step.title}</b> {step.words}
            {step.held && (
              <Box component="span" sx={{ color: "var(--forbid)" }}>
                {" "}
                · held back
              </Box>
            )}
          </Box>
          <Box sx={{ fontSize: 13.5 }}>
            {[
              step.note,
              ...step.joins.map(
                (join) => `${join.words} ${join.kind === "added" ? `of ${join.name}` : join.name}`,
              ),
              ...step.leaves
                .filter((leaf) => leaf.kind !== "jar")
                .map((leaf) => `${leaf.words} ${leaf.name}`),
            ]
              .filter(Boolean)
              .join(" · ")}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
