import { Box, Slider } from "@mui/material";

import type { Schemas } from "../../../api/client";

interface Props {
  light: Schemas["LightView"] | undefined;
  shadows: Schemas["ShadowsView"] | undefined;
  hour: number;
  onHour: (hour: number) => void;
}

const clock = (hour: number) => {
  const minutes = Math.round(hour * 60);
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, "0")}`;
};

/** SunBar is the hour of the shown day, from sunrise to sunset. */
export function SunBar({ light, shadows, hour, onHour }: Props) {
  const from = light?.sunrise ?? 4;
  const to = light?.sunset ?? 20;
  const first = Math.ceil(from * 4) / 4;
  const last = Math.max(first + 0.25, Math.floor(to * 4) / 4);
  return (
    <Box sx={{ display: "flex", gap: 2, alignItems: "center", mt: 1, flexWrap: "wrap" }}>
      <Box sx={{ width: 210, px: 2 }}>
        <Slider
          size="small"
          value={Math.min(last, Math.max(first, hour))}
          min={first}
          max={last}
          step={0.25}
          onChange={(_, value) => onHour(value)}
          aria-label="Hour of the day"
          valueLabelDisplay="off"
          marks={[
            { value: first, label: clock(from) },
            { value: 12, label: "12" },
            { value: last, label: clock(to) },
          ]}
        />
      </Box>
      <Box sx={{ fontSize: 14.5, flex: 1, minWidth: 200 }}>
        <b>{clock(hour)}</b> · {shadows?.words ?? ""}
        {light && (
          <Box sx={{ color: "text.secondary" }}>In the open, the sun shines {light.dayText} on this day.</Box>
        )}
      </Box>
      <Box sx={{ display: "flex", alignItems: "center", gap: 0.7, fontSize: 13, color: "text.secondary" }}>
        shade
        <Box
          aria-hidden
          sx={{
            width: 92,
            height: 12,
            border: "1px solid var(--rule)",
            background:
              "linear-gradient(90deg, color-mix(in srgb, var(--water) 62%, var(--meadow)), var(--meadow) 50%, color-mix(in srgb, var(--straw) 67%, var(--meadow)))",
          }}
        />
        sun all day
      </Box>
    </Box>
  );
}
