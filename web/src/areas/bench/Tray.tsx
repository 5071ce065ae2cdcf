import { Alert, Box, Button } from "@mui/material";
import { useState } from "react";
import { Link, useParams } from "react-router";

import { answerOf, api, shownVersion, type Schemas } from "../../api/client";
import { dayNoted, keptWords, noteOrKeep, useKept } from "../../api/outbox";
import { useSite } from "../../api/queries";
import { Choice, ChoiceRow } from "../../parts/Choices";
import { Trouble } from "../../parts/Trouble";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { CellMark, cellWords } from "./CellMark";
import { FormDialog, whole } from "../../parts/FormDialog";
import { Head } from "./Head";
import { useTray } from "./queries";
import { TrayDialog } from "./Trays";
import { useWidth } from "../../parts/useWidth";

type Change = Schemas["CellChange"];

/** Tray is one tray from above: its cells are tapped as they come up. */
export function Tray() {
  const id = Number(useParams().id) || 0;
  const query = useTray(id);
  if (query.error) return <Trouble reason={query.error} />;
  if (!query.data) return <Box sx={{ minHeight: 600 }} />;
  return <TrayOf key={query.data.id} tray={query.data} />;
}

/** The tools, each with what a tap makes of a cell that holds something. */
const tools = [
  { name: "up", words: "it is up", to: "up", from: ["sown", "failed", "gone"] },
  { name: "gone", words: "it went", to: "gone", from: ["up"] },
  { name: "failed", words: "never came", to: "failed", from: ["sown"] },
  { name: "potted", words: "potted on", to: "potted", from: ["up"] },
  { name: "gap", words: "gap up", to: "up", from: ["up"] },
] as const;

function TrayOf({ tray }: { tray: Schemas["TrayView"] }) {
  const { noted, say } = useUndo();
  const site = useSite().data;
  const { send, sending, fault, fields, stale, settle } = useSend();
  const [version, setVersion] = useState(tray.version);
  const [tool, setTool] = useState<(typeof tools)[number]["name"]>("up");
  const [changes, setChanges] = useState<Change[]>([]);
  const [lifted, setLifted] = useState<number>();
  const [opened, setOpened] = useState<"sow" | "tray">();
  // What was noted meanwhile, here or elsewhere, is shown; taps that were not noted stay on it.
  if (version !== tray.version && changes.length === 0) setVersion(tray.version);
  // What waits on this device stands on the tray, too: nobody taps it twice.
  const waiting = useKept().flatMap((kept) =>
    kept.kind === "count" && kept.to === tray.id && !kept.refused ? kept.body.changes : [],
  );
  const cells = applied(tray.cells, waiting);
  const shown = applied(cells, changes);
  const tap = (cell: number) => {
    if (tool === "gap") {
      const at = shown[cell];
      if (lifted === undefined) {
        if (at?.state === "up") setLifted(cell);
        return;
      }
      if (at && at.state !== "up" && at.state !== "sown" && cell !== lifted)
        setChanges((before) => [...before, { cell, state: "up", from: lifted }]);
      setLifted(undefined);
      return;
    }
    // A quick thumb taps again before the page has drawn the last tap: each goes on from the one before.
    setChanges((before) => tapped(cells, before, cell, tool));
  };
  const put = async (of = version) => {
    const entry = await send(() =>
      noteOrKeep({
        kind: "count",
        to: tray.id,
        words: `Tray ${tray.name}: ${changes.length} ${changes.length === 1 ? "cell" : "cells"} counted`,
        body: { changes, day: dayNoted(site?.today ?? "", site?.pinned ?? false) },
        version: of,
      }),
    );
    if (entry === undefined) return;
    setChanges([]);
    if (entry) noted(entry);
    else say(keptWords);
  };
  const empty = async () => {
    const entry = await send(() =>
      answerOf(api.POST("/api/trays/{id}/empty", { params: { path: { id: tray.id } } })),
    );
    if (entry) noted(entry);
  };
  return (
    <>
      <Head
        title={`Tray ${tray.name}`}
        words={`${tray.words}${tray.place ? ` · ${tray.place}` : ""}${tray.mixName ? ` · ${tray.mixName}` : ""}`}
      >
        {tray.waiting.length > 0 && tray.empty > 0 && (
          <Button variant="outlined" onClick={() => setOpened("sow")}>
            Set a batch into it
          </Button>
        )}
        <Button
          component={Link}
          to={`/bench/mix?cells=${tray.rows * tray.columns}&cell=${encodeURIComponent(tray.cell)}`}
        >
          What to fill it with
        </Button>
        <Button onClick={() => setOpened("tray")}>Change the tray</Button>
        <Button disabled={sending} onClick={() => void empty()}>
          Empty it
        </Button>
      </Head>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 330px" },
          columnGap: 3,
          rowGap: 2,
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          <Box sx={{ maxWidth: 640, mb: 1.2 }}>
            <ChoiceRow label="What a tap notes" columns={5}>
              {tools.map((one) => (
                <Choice
                  key={one.name}
                  chosen={tool === one.name}
                  onChoose={() => {
                    setTool(one.name);
                    setLifted(undefined);
                  }}
                >
                  <svg width={22} height={22} viewBox="0 0 24 24" aria-hidden>
                    {one.name === "gap" ? (
                      <path
                        d="M4 16 C8 4 16 4 19 12 m0 0 l-5 -1 m5 1 l1 -5"
                        fill="none"
                        stroke="var(--ink)"
                        strokeWidth={2}
                      />
                    ) : (
                      <CellMark state={one.to} size={24} bare />
                    )}
                  </svg>
                  <span style={{ fontSize: 13.5, lineHeight: 1.15 }}>{one.words}</span>
                </Choice>
              ))}
            </ChoiceRow>
          </Box>
          {tool === "gap" && (
            <Box role="status" sx={{ mb: 1 }}>
              {lifted === undefined
                ? "Tap a seedling, then the empty cell it goes into."
                : "Now tap the cell it goes into."}
            </Box>
          )}
          <Cells tray={tray} shown={shown} changed={changes} lifted={lifted} onTap={tap} />
          <Box
            sx={{
              position: "sticky",
              bottom: { xs: 62, md: 0 },
              background: "var(--paper)",
              display: "flex",
              gap: 1.5,
              alignItems: "center",
              py: 1,
              flexWrap: "wrap",
            }}
          >
            <Button variant="contained" disabled={sending || changes.length === 0} onClick={() => void put()}>
              {changes.length === 0
                ? "Tap what came up"
                : `Note ${changes.length} ${changes.length === 1 ? "cell" : "cells"}`}
            </Button>
            {changes.length > 0 && <Button onClick={() => setChanges([])}>Not these</Button>}
            <b>{countWords(shown)}</b>
          </Box>
          {(fields.changes ?? (stale ? "" : fault)) && (
            <Alert severity="error">{fields.changes ?? fault}</Alert>
          )}
          {stale && (
            <Alert
              severity="warning"
              action={
                <Button
                  color="inherit"
                  onClick={() => {
                    setVersion(tray.version);
                    settle();
                    void put(tray.version);
                  }}
                >
                  Note mine over it
                </Button>
              }
            >
              {stale} Your taps stand on the tray as it is now: look at it, then note them.
            </Alert>
          )}
        </Box>
        <Box>
          {tray.batches.map((batch) => (
            <Box key={batch.batchId} component="section" aria-label={batch.name} sx={{ mb: 2 }}>
              <Box sx={{ fontSize: 18, fontWeight: 700 }}>
                <span style={{ color: "var(--bramble)" }}>{tray.batches.length > 1 && `${batch.sign} `}</span>
                {batch.name}
              </Box>
              <Box sx={{ fontSize: 14.5, color: "text.secondary" }}>
                <i>{batch.botanical}</i>
                {batch.lot && ` · ${batch.lot}`}
              </Box>
              <Share batch={batch} />
              <Box>{batch.words}</Box>
              {batch.expected && <Box sx={{ fontSize: 14.5 }}>{batch.expected}</Box>}
              {batch.root && (
                <Box
                  sx={{ fontSize: 14.5, color: batch.rootFit === "fits" ? "text.secondary" : "var(--clay)" }}
                >
                  {batch.root}.
                </Box>
              )}
            </Box>
          ))}
          {tray.batches.length === 0 && (
            <p>Nothing stands in it yet. Begin a batch, and set it into its cells.</p>
          )}
          <Legend />
        </Box>
      </Box>
      {opened === "tray" && <TrayDialog tray={tray} onClose={() => setOpened(undefined)} />}
      {opened === "sow" && <SowDialog tray={tray} onClose={() => setOpened(undefined)} />}
    </>
  );
}

type Cell = Schemas["CellView"];

/** tapped are the changes after a tap on a cell; tapped again it is as it was. */
function tapped(cells: Cell[], changes: Change[], cell: number, tool: string): Change[] {
  const state = applied(cells, changes)[cell]?.state;
  const chosen = tools.find((one) => one.name === tool);
  const last = changes.findLast((change) => change.cell === cell && change.from < 0);
  if (!chosen || state === undefined) return changes;
  if (last && state === chosen.to) return changes.filter((change) => change !== last);
  if (!(chosen.from as readonly string[]).includes(state)) return changes;
  return [...changes.filter((change) => change !== last), { cell, state: chosen.to, from: -1 }];
}

/** applied is what the cells show after changes. */
function applied(cells: Cell[], changes: Change[]): Cell[] {
  const after = cells.map((cell) => ({ ...cell }));
  for (const change of changes) {
    const at = after[change.cell];
    const from = change.from >= 0 ? after[change.from] : undefined;
    if (!at) continue;
    if (from) {
      at.batchId = from.batchId;
      at.state = "up";
      from.batchId = 0;
      from.state = "";
    } else at.state = change.state;
  }
  return after;
}

function countWords(cells: Cell[]) {
  const set = cells.filter((cell) => cell.state !== "").length;
  const up = cells.filter((cell) => ["up", "potted", "out", "gone"].includes(cell.state)).length;
  return `${up} of ${set} up`;
}

interface CellsProps {
  tray: Schemas["TrayView"];
  shown: Cell[];
  changed: Change[];
  lifted?: number;
  onTap: (cell: number) => void;
}

/** No cell is drawn smaller: a thumb could not hit it. */
const leastCell = 34;
const mostCell = 58;

/** Cells are the tray's cells. On a narrow screen a long tray lies the other way round, its numbers the same. */
function Cells({ tray, shown, changed, lifted, onTap }: CellsProps) {
  const [box, width] = useWidth(640);
  const turned = tray.columns * leastCell > width && tray.rows < tray.columns;
  const across = turned ? tray.rows : tray.columns;
  const size = Math.min(mostCell, Math.max(leastCell, Math.floor((width - 10) / across)));
  const order = turned
    ? Array.from({ length: tray.columns }, (_, column) =>
        Array.from({ length: tray.rows }, (_, row) => row * tray.columns + column),
      ).flat()
    : shown.map((_, i) => i);
  const signs = Object.fromEntries(tray.batches.map((batch) => [batch.batchId, batch.sign]));
  return (
    <Box ref={box} sx={{ minWidth: 0, overflowX: "auto" }}>
      <Box
        role="group"
        aria-label={`The cells of ${tray.name}`}
        sx={{
          display: "grid",
          gridTemplateColumns: `repeat(${across}, ${size}px)`,
          width: across * size + 10,
          boxSizing: "border-box",
          border: "2px solid var(--ink)",
          borderRadius: "4px",
          background: "var(--soil)",
          p: "3px",
        }}
      >
        {order.map((i) => {
          const cell = shown[i] ?? { batchId: 0, state: "" };
          const name = tray.batches.find((batch) => batch.batchId === cell.batchId)?.name;
          const isChanged = changed.some((change) => change.cell === i || change.from === i);
          return (
            <Box
              key={i}
              component="button"
              aria-label={`Cell ${i + 1}: ${[name, cellWords[cell.state]].filter(Boolean).join(", ")}`}
              aria-pressed={isChanged}
              onClick={() => onTap(i)}
              sx={{
                all: "unset",
                boxSizing: "border-box",
                width: size - 2,
                height: size - 2,
                m: "1px",
                cursor: "pointer",
                background: isChanged ? "var(--brambleWash)" : "var(--card)",
                border: `${lifted === i || isChanged ? 2 : 1}px solid ${lifted === i ? "var(--bramble)" : isChanged ? "var(--bramble)" : "var(--softInk)"}`,
                borderRadius: "4px",
                position: "relative",
                touchAction: "manipulation",
                "&:focus-visible": { outline: "3px solid var(--focus)" },
              }}
            >
              <svg width="100%" height="100%" viewBox="0 0 24 24" aria-hidden style={{ display: "block" }}>
                <CellMark state={cell.state} size={24} bare />
              </svg>
              {tray.batches.length > 1 && cell.batchId !== 0 && (
                <Box
                  component="span"
                  aria-hidden
                  sx={{ position: "absolute", left: 3, top: 0, fontSize: 11.5, color: "text.secondary" }}
                >
                  {signs[cell.batchId]}
                </Box>
              )}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

function Share({ batch }: { batch: Schemas["TrayBatchView"] }) {
  const share = batch.set > 0 ? batch.up / batch.set : 0;
  return (
    <Box aria-hidden sx={{ height: 9, background: "var(--rule)", my: 0.5 }}>
      <Box sx={{ width: `${share * 100}%`, height: 9, background: "var(--leaf)" }} />
    </Box>
  );
}

function Legend() {
  return (
    <Box
      sx={{
        fontSize: 13.5,
        color: "text.secondary",
        display: "grid",
        gridTemplateColumns: "1fr 1fr",
        gap: 0.3,
      }}
    >
      {Object.entries(cellWords).map(([state, words]) => (
        <Box key={state} sx={{ display: "flex", gap: 0.7, alignItems: "center" }}>
          <svg width={20} height={20} viewBox="0 0 24 24" aria-hidden>
            <CellMark state={state} size={24} />
          </svg>
          {words}
        </Box>
      ))}
    </Box>
  );
}

function SowDialog({ tray, onClose }: { tray: Schemas["TrayView"]; onClose: () => void }) {
  const first = tray.waiting[0];
  return (
    <FormDialog
      title={`Set a batch into ${tray.name}`}
      act="Set it"
      values={{
        batchId: String(first?.batchId ?? 0),
        count: String(Math.min(first?.left ?? 0, tray.empty)),
      }}
      version={tray.version}
      fields={[
        {
          name: "batchId",
          label: "Which batch",
          kind: "choice",
          options: tray.waiting.map(
            (one) => [String(one.batchId), `${one.name}, ${one.left} in no cell`] as const,
          ),
          wide: true,
        },
        { name: "count", label: "Into how many cells", kind: "number", help: `${tray.empty} are empty` },
      ]}
      onClose={onClose}
      send={(typed, version) =>
        answerOf(
          api.POST("/api/trays/{id}/sow", {
            params: { path: { id: tray.id }, header: shownVersion(version) },
            body: { batchId: whole(typed.batchId), count: whole(typed.count) },
          }),
        )
      }
    />
  );
}
