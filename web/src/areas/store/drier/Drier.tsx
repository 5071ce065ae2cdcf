import { Alert, Box, Button, Typography } from "@mui/material";
import { useState, type DragEvent } from "react";
import { Link } from "react-router";

import { answerOf, api, type Schemas } from "../../../api/client";
import { Reckoning } from "../../../parts/Reckoning";
import { useKept } from "../../../parts/shownDay";
import { Trouble } from "../../../parts/Trouble";
import { useUndo } from "../../../parts/Undo";
import { useSend } from "../../../parts/useSend";
import { Head } from "../Head";
import { useDrier } from "../queries";
import { DrierDialog } from "./DrierDialog";
import { DrierPicture } from "./DrierPicture";
import { LoadDialog } from "./LoadDialog";
import { TrayPanel } from "./TrayPanel";

type Wait = Schemas["DrierWait"];

/** Drier is the drier with its trays: what dries on each and until when, what waits for it, and how it may be laid in. */
export function Drier() {
  const { data: drier, error } = useDrier();
  const { noted } = useUndo();
  const { send, sending, fault, fields } = useSend();
  const kept = useKept();
  const [chosen, setChosen] = useState<number>();
  const [carried, setCarried] = useState<number>();
  const [load, setLoad] = useState<{ wait: Wait; tray: number }>();
  const [settings, setSettings] = useState(false);
  if (error) return <Trouble reason={error} />;
  if (!drier) return <Reckoning />;
  const taken = drier.trays.filter((tray) => tray.lot);
  const tray = drier.trays.find((one) => one.number === chosen) ?? taken[0];
  const free = drier.trays.filter((one) => !one.lot).map((one) => one.number);
  const lay = async (trays: { tray: number; pickingId: number; amount?: string }[]) => {
    const entry = await send(() => answerOf(api.POST("/api/drier/trays", { body: { trays } })));
    if (!entry) return;
    noted(entry);
    setChosen(trays[0]?.tray);
  };
  const onDrop = (number: number) => (event: DragEvent) => {
    event.preventDefault();
    const id = carried;
    setCarried(undefined);
    const wait = drier.waits.find((one) => one.pickingId === id);
    if (wait) setLoad({ wait, tray: number });
  };
  const wrong = [fault, ...Object.values(fields)].filter(Boolean).join(" ");
  return (
    <>
      <Head
        title="Drier"
        words={`${drier.words}${drier.humidity ? ` · its air ${drier.humidity}` : ""}${drier.used ? ` · ${drier.used}` : ""}`}
      >
        <Button onClick={() => setSettings(true)}>How it is</Button>
      </Head>
      {wrong && <Alert severity="error">{wrong}</Alert>}
      <Box sx={{ display: "flex", gap: 3, flexWrap: { xs: "wrap", lg: "nowrap" }, alignItems: "flex-start" }}>
        <Box sx={{ flex: "1 1 600px", minWidth: 0 }}>
          <DrierPicture
            drier={drier}
            chosen={tray?.number ?? 0}
            carried={carried !== undefined}
            onChoose={setChosen}
            onDrop={onDrop}
          />
          <Waits
            drier={drier}
            sending={sending}
            free={free}
            onCarry={setCarried}
            onLoad={(wait, number) => setLoad({ wait, tray: number })}
            onPropose={() =>
              void lay(
                drier.proposal.map((one) => ({
                  tray: one.tray,
                  pickingId: one.pickingId,
                  amount: one.amount,
                })),
              )
            }
          />
          <Box sx={{ fontSize: 14, color: "text.secondary", mt: 1 }}>
            {drier.sensors.join(" and ")}: stand-ins, behind the plug that real ones would use.{" "}
            <Link to={kept("/store")}>To the shelves</Link>
          </Box>
        </Box>
        {tray?.lot && (
          <Box sx={{ flex: { xs: "1 1 100%", lg: "0 0 340px" }, minWidth: 0 }}>
            <TrayPanel key={tray.lot.lotId} number={tray.number} lot={tray.lot} free={free} />
          </Box>
        )}
      </Box>
      {load && (
        <LoadDialog
          wait={load.wait}
          tray={load.tray}
          free={free}
          onClose={() => setLoad(undefined)}
          onDone={setChosen}
        />
      )}
      {settings && <DrierDialog drier={drier} onClose={() => setSettings(false)} />}
    </>
  );
}

/** Waits is what waits for the drier, the first to spoil first; a basket can be dragged onto a tray. */
function Waits({
  drier,
  sending,
  free,
  onCarry,
  onLoad,
  onPropose,
}: {
  drier: Schemas["DrierView"];
  sending: boolean;
  free: number[];
  onCarry: (picking: number | undefined) => void;
  onLoad: (wait: Wait, tray: number) => void;
  onPropose: () => void;
}) {
  const kept = useKept();
  if (drier.waits.length === 0) {
    return (
      <Box sx={{ mt: 2, color: "text.secondary" }}>
        No basket waits. What is picked and sorted at the table stands here until it is laid in.
      </Box>
    );
  }
  return (
    <Box component="section" aria-label="What waits" sx={{ mt: 2 }}>
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "baseline", flexWrap: "wrap" }}>
        <Typography variant="h2">What waits</Typography>
        {drier.proposal.length > 0 && (
          <>
            <Box sx={{ fontSize: 14.5 }}>
              {drier.proposal.map((one) => `${one.amount} of ${one.name} on tray ${one.tray}`).join(", ")}
            </Box>
            <Button size="small" variant="contained" disabled={sending} onClick={onPropose}>
              Lay it in so
            </Button>
          </>
        )}
      </Box>
      {drier.noRoom.length > 0 && (
        <Box sx={{ color: "var(--clay)", fontWeight: 700 }}>No room: {drier.noRoom.join("; ")}.</Box>
      )}
      {drier.waits.map((wait) => (
        <Box
          key={wait.pickingId}
          draggable={wait.canDry}
          onDragStart={() => onCarry(wait.pickingId)}
          onDragEnd={() => onCarry(undefined)}
          sx={{
            display: "flex",
            gap: 1.5,
            alignItems: "center",
            flexWrap: "wrap",
            borderTop: "1px solid var(--rule)",
            py: 0.6,
            cursor: wait.canDry ? "grab" : "default",
          }}
        >
          <Box sx={{ flex: "1 1 240px", minWidth: 0 }}>
            <b>{wait.name}</b> {wait.left}, {wait.from}
            {wait.why && <Box sx={{ fontSize: 14 }}>{wait.why}</Box>}
          </Box>
          <Box
            sx={{
              color: wait.hours < 6 ? "var(--clay)" : "text.secondary",
              fontWeight: wait.hours < 6 ? 700 : 400,
              fontSize: 14.5,
            }}
          >
            {wait.spoils}
          </Box>
          {wait.canDry && free.length > 0 && (
            <Button
              size="small"
              variant="outlined"
              aria-label={`Lay it in: ${wait.name}`}
              onClick={() => onLoad(wait, free[0] ?? 1)}
            >
              Lay it in
            </Button>
          )}
          {wait.state === "to sort" && (
            <Button size="small" component={Link} to={kept("/gather")} aria-label={`Sort it: ${wait.name}`}>
              Sort it
            </Button>
          )}
          {wait.state === "fit for use" && (
            <Button
              size="small"
              component={Link}
              to={kept(`/store/make?picking=${wait.pickingId}`)}
              aria-label={`Make something of ${wait.name}`}
            >
              Make something
            </Button>
          )}
        </Box>
      ))}
    </Box>
  );
}
