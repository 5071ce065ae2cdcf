import { Box, Button, Slider } from "@mui/material";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { api, answerOf, type Schemas } from "../../../api/client";
import { Trouble } from "../../../parts/Trouble";
import { SuitAnswer } from "./SuitAnswer";

type Tried = Partial<Record<Schemas["Slider"]["key"], number>>;

const useWhatIf = (bedId: number, tried: Tried) =>
  useQuery({
    queryKey: ["what-if", bedId, tried],
    queryFn: () =>
      answerOf(
        api.POST("/api/beds/{id}/what-if", {
          params: { path: { id: bedId } },
          body: tried,
        }),
      ),
    placeholderData: keepPreviousData,
  });

const said = (slider: Schemas["Slider"], value: number) =>
  slider.words.length > 0
    ? (slider.words[Math.round(value - slider.low)] ?? "")
    : `${Math.round(value * 10) / 10} ${slider.unit}`.trim();

/** WhatIfTab changes a condition and shows every planting's answer. Nothing is noted. */
export function WhatIfTab({ bedId }: { bedId: number }) {
  const [tried, setTried] = useState<Tried>({});
  const query = useWhatIf(bedId, tried);
  const what = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!what) return <Box sx={{ minHeight: 300 }} />;
  return (
    <>
      <Box sx={{ color: "text.secondary", fontSize: 14.5, my: 0.5 }}>
        Move a slider and see what each planting would say. Nothing is changed.
      </Box>
      {what.sliders.map((slider) => {
        const value = tried[slider.key] ?? slider.value;
        const changed = slider.key in tried;
        return (
          <Box
            key={slider.key}
            sx={{
              display: "grid",
              gridTemplateColumns: "118px 1fr 84px",
              gap: 1.5,
              alignItems: "center",
              fontSize: 14.5,
            }}
          >
            <Box sx={{ fontWeight: changed ? 700 : 400 }}>{slider.name}</Box>
            <Slider
              size="small"
              min={slider.low}
              max={slider.high}
              step={slider.step}
              value={value}
              onChange={(_, to) => setTried({ ...tried, [slider.key]: to })}
              aria-label={slider.name}
            />
            <Box sx={{ fontWeight: changed ? 700 : 400 }}>
              {slider.known || changed ? said(slider, value) : "not known"}
            </Box>
          </Box>
        );
      })}
      <Button size="small" disabled={Object.keys(tried).length === 0} onClick={() => setTried({})}>
        As it is
      </Button>
      {what.plantings.length === 0 && <p>Nothing stands here yet.</p>}
      {what.plantings.map((suit, i) => {
        const before = what.before[i] ?? suit.value;
        const moved = Math.round((suit.value - before) * 100);
        return (
          <SuitAnswer
            key={suit.planting?.id ?? suit.speciesId}
            suit={suit}
            title={`${suit.name}, ${suit.planting?.plants ?? ""}${moved === 0 ? "" : moved > 0 ? `: better by ${moved}` : `: worse by ${-moved}`}`}
          />
        );
      })}
    </>
  );
}
