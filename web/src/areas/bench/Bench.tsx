import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";

import { answerOf, api, type Schemas } from "../../api/client";
import { Trouble } from "../../parts/Trouble";
import { BatchDetail } from "./BatchDetail";
import { BenchPicture } from "./BenchPicture";
import { BringDialog } from "../../parts/BringDialog";
import { Head } from "./Head";
import { KeepRoomDialog, MeasuresDialog, PlaceDialog } from "./PlaceDialogs";
import { MoveDialog } from "./MoveDialog";
import { useBench } from "./queries";
import { StepMark } from "./StepMark";

type Opened = "place" | "room" | "measures" | "bring" | { place: Schemas["ShelfView"] };

/** Bench is places and weeks as one picture, what does not fit beside it, and the chosen batch in full. */
export function Bench() {
  const [params, setParams] = useSearchParams();
  const [opened, setOpened] = useState<Opened>();
  const [moving, setMoving] = useState<{
    batch: Schemas["BatchView"];
    stay: number;
    from: string;
    place?: number;
  }>();
  const query = useBench();
  const bench = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!bench) return <Box sx={{ minHeight: 700 }} />;
  const chosen = Number(params.get("batch")) || 0;
  const choose = (id: number) =>
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        if (id) next.set("batch", String(id));
        else next.delete("batch");
        return next;
      },
      { replace: true },
    );
  const batch = bench.batches.find((one) => one.id === chosen);
  return (
    <>
      <Head title="Bench" words={bench.words}>
        <Button variant="contained" component={Link} to="/bench/wanted">
          Make more of a plant
        </Button>
        <Button variant="outlined" onClick={() => setOpened("place")}>
          Add a place
        </Button>
      </Head>
      {bench.shelves.length === 0 ? (
        <Box sx={{ maxWidth: 620 }}>
          <p>
            No place to raise plants is on record. Add the windowsill, the frame or the corner of the yard
            with the number of trays that it has room for: then the bench says what fits, and when.
          </p>
        </Box>
      ) : (
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 318px" },
            columnGap: 2.5,
          }}
        >
          <Box sx={{ minWidth: 0 }}>
            <BenchPicture
              bench={bench}
              chosen={chosen}
              onChoose={choose}
              onDrag={(dragged, stay, from) => setMoving({ batch: dragged, stay, from })}
            />
            <Legend />
            <Shelves
              shelves={bench.shelves}
              onChange={(place) => setOpened({ place })}
              onKeep={() => setOpened("room")}
            />
          </Box>
          <Box sx={{ minWidth: 0 }}>
            {batch ? (
              <BatchDetail
                key={batch.id}
                batch={batch}
                unfit={bench.unfit.find((one) => one.batchId === batch.id)}
                onClose={() => choose(0)}
                onMove={(stay) => setMoving({ batch, stay, from: batch.stays[stay]?.from ?? bench.today })}
              />
            ) : (
              <Unfit bench={bench} onChoose={choose} onMove={setMoving} />
            )}
            <BatchList batches={bench.batches} chosen={chosen} onChoose={choose} />
            <Button size="small" onClick={() => setOpened("measures")}>
              Trays, measures and prices
            </Button>
            <Button size="small" component="a" href="/api/files/bench-labels" target="_blank">
              Labels for all
            </Button>
            <Button size="small" component="a" href="/api/files/batches">
              Batches to a file
            </Button>
            <Button size="small" onClick={() => setOpened("bring")}>
              Batches from a file
            </Button>
          </Box>
        </Box>
      )}
      {opened === "place" && <PlaceDialog onClose={() => setOpened(undefined)} />}
      {typeof opened === "object" && (
        <PlaceDialog place={opened.place} onClose={() => setOpened(undefined)} />
      )}
      {opened === "room" && <KeepRoomDialog bench={bench} onClose={() => setOpened(undefined)} />}
      {opened === "bring" && (
        <BringDialog
          title="Batches from a file"
          help="A table with commas (CSV), as the file that is written here."
          ask={(body) => answerOf(api.POST("/api/batches/file", { body }))}
          onClose={() => setOpened(undefined)}
        />
      )}
      {opened === "measures" && (
        <MeasuresDialog settings={bench.settings} onClose={() => setOpened(undefined)} />
      )}
      {moving && <MoveDialog {...moving} shelves={bench.shelves} onClose={() => setMoving(undefined)} />}
    </>
  );
}

function Legend() {
  return (
    <Box
      sx={{
        display: "flex",
        flexWrap: "wrap",
        columnGap: 2,
        fontSize: 13.5,
        color: "text.secondary",
        mt: 0.5,
      }}
    >
      {Object.entries(StepMark.words).map(([step, words]) => (
        <Box key={step} sx={{ display: "flex", alignItems: "center", gap: 0.5 }}>
          <StepMark.One step={step} />
          {words}
        </Box>
      ))}
      <span>A dashed edge: planned. Drag it to another day.</span>
    </Box>
  );
}

interface ShelvesProps {
  shelves: Schemas["ShelfView"][];
  onChange: (shelf: Schemas["ShelfView"]) => void;
  onKeep: () => void;
}

function Shelves({ shelves, onChange, onKeep }: ShelvesProps) {
  return (
    <Box className="no-print" sx={{ display: "flex", flexWrap: "wrap", gap: 0.5, mt: 1 }}>
      {shelves.map((shelf) => (
        <Button key={shelf.id} size="small" onClick={() => onChange(shelf)}>
          Change {shelf.name}
        </Button>
      ))}
      <Button size="small" onClick={onKeep}>
        Keep room for food
      </Button>
    </Box>
  );
}

interface UnfitProps {
  bench: Schemas["BenchView"];
  onChoose: (batch: number) => void;
  onMove: (to: { batch: Schemas["BatchView"]; stay: number; from: string; place?: number }) => void;
}

/** Unfit is what does not fit as it is planned, each with its reason and when it would. */
function Unfit({ bench, onChoose, onMove }: UnfitProps) {
  return (
    <Box component="section" aria-label="Does not fit as planned" sx={{ mb: 2 }}>
      <Typography variant="h2">
        Does not fit <span style={{ color: "var(--softInk)" }}>{bench.unfit.length}</span>
      </Typography>
      {bench.unfit.length === 0 && (
        <Box sx={{ color: "text.secondary" }}>All that is planned has its room.</Box>
      )}
      {bench.unfit.map((one) => {
        const batch = bench.batches.find((b) => b.id === one.batchId);
        return (
          <Box key={one.batchId} sx={{ borderTop: "1px solid var(--rule)", py: 0.7 }}>
            <b>{one.name}</b>, {one.trays} {one.trays === 1 ? "tray" : "trays"}
            <Box sx={{ fontSize: 14.5 }}>{one.why}</Box>
            <Box sx={{ fontSize: 14.5, color: "var(--bramble)" }}>{one.offer}</Box>
            <Box sx={{ display: "flex", gap: 0.5, ml: -0.7 }}>
              {one.can && batch && (
                <Button
                  size="small"
                  onClick={() => onMove({ batch, stay: 0, from: one.start, place: one.placeId || undefined })}
                  aria-label={`Move it there: ${one.name}`}
                >
                  Move it there
                </Button>
              )}
              <Button
                size="small"
                onClick={() => onChoose(one.batchId)}
                aria-label={`Look at it: ${one.name}`}
              >
                Look at it
              </Button>
            </Box>
          </Box>
        );
      })}
      {bench.bound && <Box sx={{ fontSize: 13.5, color: "text.secondary", mt: 0.5 }}>{bench.bound}</Box>}
    </Box>
  );
}

interface ListProps {
  batches: Schemas["BatchView"][];
  chosen: number;
  onChoose: (batch: number) => void;
}

/** BatchList is every batch in words: the picture for keyboard, reading aloud and a small screen. */
function BatchList({ batches, chosen, onChoose }: ListProps) {
  const open = batches.filter((batch) => !batch.ended);
  if (open.length === 0) return null;
  return (
    <Box component="section" aria-label="All batches" sx={{ mb: 1.5 }}>
      <Typography variant="h2">All batches</Typography>
      {open.map((batch) => (
        <Box
          key={batch.id}
          component="button"
          aria-pressed={batch.id === chosen}
          onClick={() => onChoose(batch.id)}
          sx={{
            all: "unset",
            boxSizing: "border-box",
            display: "block",
            width: "100%",
            cursor: "pointer",
            borderTop: "1px solid var(--rule)",
            borderLeft: `5px solid ${batch.id === chosen ? "var(--bramble)" : "transparent"}`,
            pl: 0.8,
            py: 0.5,
            minHeight: { xs: 48, md: 0 },
            fontSize: 14.5,
            lineHeight: 1.3,
            "&:focus-visible": { outline: "3px solid var(--focus)" },
          }}
        >
          <b>{batch.name}</b>
          {!batch.fits && <span style={{ color: "var(--clay)" }}> · does not fit</span>}
          <Box sx={{ color: "text.secondary" }}>{batch.state}</Box>
        </Box>
      ))}
    </Box>
  );
}
