import { Box, Button, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { dayNoted } from "../../../api/outbox";
import { useSite } from "../../../api/queries";
import { RefusedHere, WaitingHere } from "../../../parts/RefusedHere";
import { Reckoning } from "../../../parts/Reckoning";
import { useGo } from "../../../parts/shownDay";
import { Trouble } from "../../../parts/Trouble";
import { outQuery } from "../queries";
import { Basket } from "./Basket";

const pickings = ["picking"] as const;

/** Out is picking with one hand, one kind at a time: all that it needs came with the page, so no network is needed on the way. */
export function Out() {
  const { data, error } = useQuery(outQuery);
  const site = useSite().data;
  const go = useGo();
  const [at, setAt] = useState<number>();
  const [picked, setPicked] = useState<ReadonlySet<number>>(new Set());
  if (error && !data) return <Trouble reason={error} />;
  if (!data) return <Reckoning />;
  const kind = at === undefined ? undefined : data.kinds[at];
  const done = (index: number) => {
    setPicked(new Set([...picked, index]));
    setAt(undefined);
  };
  return (
    <Box sx={{ maxWidth: 560, mx: "auto" }}>
      <Box
        sx={{
          display: "flex",
          justifyContent: "space-between",
          alignItems: "center",
          gap: 1,
          minHeight: 44,
          color: "text.secondary",
          fontSize: 15,
        }}
      >
        <span>{data.words}</span>
        <WaitingHere kinds={pickings} />
      </Box>
      <RefusedHere kinds={pickings} yes="I took it" />
      {kind && at !== undefined ? (
        <Basket
          key={at}
          kind={kind}
          day={dayNoted(data.day, site?.pinned ?? false)}
          onBack={() => setAt(undefined)}
          onDone={() => done(at)}
        />
      ) : (
        <>
          <Typography variant="h1" sx={{ mb: 1 }}>
            {data.kinds.length === 0 ? "Nothing to pick today" : "One kind at a time"}
          </Typography>
          {data.kinds.map((one, i) => (
            <Box
              key={`${one.plantingId}${one.allowance.part}`}
              component="button"
              type="button"
              onClick={() => setAt(i)}
              sx={{
                display: "block",
                width: "100%",
                textAlign: "left",
                font: "inherit",
                color: "inherit",
                background: one.today ? "var(--brambleWash)" : "var(--card)",
                border: "1px solid var(--rule)",
                borderLeft: `6px solid var(${picked.has(i) ? "--lichen" : one.today ? "--bramble" : "--leaf"})`,
                borderRadius: "3px",
                p: "8px 12px",
                mb: 1,
                minHeight: 56,
                cursor: "pointer",
              }}
            >
              <b>{one.name}</b>, {one.bed}
              {picked.has(i) && <span style={{ color: "var(--leaf)" }}> · in the basket</span>}
              <Box sx={{ fontSize: 15 }}>{one.today ? one.planned : one.allowance.amount}</Box>
              {!one.today && one.planned && (
                <Box sx={{ fontSize: 14, color: "text.secondary" }}>{one.planned}</Box>
              )}
              {one.allowance.waitFor && (
                <Box sx={{ fontSize: 14, color: "var(--clay)" }}>{one.allowance.weather}</Box>
              )}
            </Box>
          ))}
          <Button variant="outlined" onClick={() => void go("/gather")}>
            To the table
          </Button>
        </>
      )}
    </Box>
  );
}
