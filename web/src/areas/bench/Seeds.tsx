import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";

import { answerOf, api, shownVersion, type Schemas } from "../../api/client";
import { usePlot, useSite } from "../../api/queries";
import { Sprig } from "../../parts/Sprig";
import { Trouble } from "../../parts/Trouble";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { BringDialog } from "../../parts/BringDialog";
import { plantingChoices } from "../../parts/choices";
import { FormDialog, whole } from "../../parts/FormDialog";
import { Head } from "./Head";
import { useSeeds } from "./queries";

type Lot = Schemas["SeedLotView"];
type Opened = "new" | "bring" | { change: Lot } | { test: Lot };

/** Seeds is the seed on the shelf: how much of each lot is alive, what is left, by when to sow it, what to save. */
export function Seeds() {
  const query = useSeeds();
  const [opened, setOpened] = useState<Opened>();
  const seeds = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!seeds) return <Box sx={{ minHeight: 600 }} />;
  const close = () => setOpened(undefined);
  return (
    <>
      <Head
        title="Seeds"
        words="Each lot by how much of it is alive: the band is what is not known, a test narrows it."
      >
        <Button variant="contained" onClick={() => setOpened("new")}>
          Put seed by
        </Button>
        <Button onClick={() => setOpened("bring")}>From a file</Button>
        <Button component="a" href="/api/files/seeds">
          To a file
        </Button>
      </Head>
      {seeds.lots.length === 0 && <p>No seed is on the shelf. Put by what you saved, or what you bought.</p>}
      {seeds.lots.map((lot) => (
        <LotRow
          key={lot.id}
          lot={lot}
          onChange={() => setOpened({ change: lot })}
          onTest={() => setOpened({ test: lot })}
        />
      ))}
      {seeds.save.length > 0 && (
        <Box component="section" aria-label="To save this year" sx={{ mt: 3, maxWidth: 860 }}>
          <Typography variant="h2">To save this year</Typography>
          {seeds.save.map((one) => (
            <Box key={one.speciesId} sx={{ borderTop: "1px solid var(--rule)", py: 0.7 }}>
              <b>{one.name}</b>, {one.when}: {one.why}.
              <Box sx={{ fontSize: 14.5, color: "text.secondary" }}>{one.mothers}</Box>
            </Box>
          ))}
        </Box>
      )}
      {opened === "new" && <LotDialog seeds={seeds} onClose={close} />}
      {opened === "bring" && (
        <BringDialog
          title="Seed lots from a file"
          help="A table with commas (CSV), as the file that is written here."
          ask={(body) => answerOf(api.POST("/api/seeds/file", { body }))}
          onClose={close}
        />
      )}
      {typeof opened === "object" && "change" in opened && (
        <LotDialog seeds={seeds} lot={opened.change} onClose={close} />
      )}
      {typeof opened === "object" && "test" in opened && <TestDialog lot={opened.test} onClose={close} />}
    </>
  );
}

function LotRow({ lot, onChange, onTest }: { lot: Lot; onChange: () => void; onTest: () => void }) {
  const { noted } = useUndo();
  const { send, sending } = useSend();
  const takeOff = async () => {
    const entry = await send(() =>
      answerOf(api.POST("/api/seeds/{id}/used-up", { params: { path: { id: lot.id } } })),
    );
    if (entry) noted(entry);
  };
  return (
    <Box
      component="article"
      aria-label={`${lot.plant}, ${lot.name}`}
      sx={{
        display: "grid",
        gridTemplateColumns: {
          xs: "44px minmax(0, 1fr)",
          md: "44px minmax(0, 1.1fr) 240px minmax(0, 1fr) auto",
        },
        columnGap: 1.5,
        rowGap: 0.5,
        alignItems: "center",
        borderTop: "1px solid var(--rule)",
        py: 0.8,
      }}
    >
      <Sprig stage="ripe" species={lot.speciesId} size={42} label="" />
      <Box>
        <b>{lot.plant}</b> · {lot.name}
        <Box sx={{ fontSize: 14.5, color: "text.secondary" }}>
          {lot.age}, {lot.from}
        </Box>
        <Box sx={{ fontSize: 14, color: "text.secondary" }}>
          {[lot.sign && `ripe: ${lot.sign}`, lot.dried, lot.storage].filter(Boolean).join(" · ")}
        </Box>
      </Box>
      <Box sx={{ gridColumn: { xs: "2", md: "auto" } }}>
        <Alive lot={lot} />
        <Box sx={{ fontSize: 14.5 }}>
          {lot.alive.length === 3 ? `alive: ${lot.aliveText}` : "how much is alive is not known"}
        </Box>
        <Box sx={{ fontSize: 13.5, color: "text.secondary", lineHeight: 1.25 }}>{lot.rests}</Box>
      </Box>
      <Box sx={{ fontSize: 14.5, gridColumn: { xs: "2", md: "auto" } }}>
        <Box>{lot.left}</Box>
        <Box sx={{ color: lot.tooOld ? "var(--forbid)" : "var(--bramble)", fontWeight: 600 }}>
          {lot.sowBy}
        </Box>
        {lot.tests.map((words) => (
          <Box key={words} sx={{ fontSize: 13.5, color: "text.secondary" }}>
            tested {words}
          </Box>
        ))}
        {lot.note && <Box sx={{ fontSize: 13.5, color: "text.secondary" }}>{lot.note}</Box>}
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", gridColumn: { xs: "2", md: "auto" } }}>
        <Button size="small" onClick={onTest} aria-label={`Note a test of ${lot.plant}, ${lot.name}`}>
          Test
        </Button>
        <Button size="small" onClick={onChange} aria-label={`Change ${lot.plant}, ${lot.name}`}>
          Change
        </Button>
        <Button
          size="small"
          disabled={sending}
          onClick={() => void takeOff()}
          aria-label={`${lot.plant}, ${lot.name} is used up`}
        >
          Used up
        </Button>
      </Box>
    </Box>
  );
}

/** Alive draws what share of a lot is alive: the band from 1 to 9 in 10, its middle, and where a lot is too old. */
function Alive({ lot }: { lot: Lot }) {
  const [low = 0, middle = 0, high = 0] = lot.alive;
  const width = 230;
  const x = (share: number) => 4 + share * (width - 8);
  return (
    <svg
      width={width}
      height={24}
      role="img"
      aria-label={lot.aliveText}
      style={{ display: "block", maxWidth: "100%" }}
    >
      <path d={`M4 12 H${width - 4}`} stroke="var(--rule)" strokeWidth={7} strokeLinecap="round" />
      <path d={`M4 12 H${x(0.3)}`} stroke="var(--clay)" strokeWidth={7} strokeLinecap="round" opacity={0.3} />
      {lot.alive.length === 3 ? (
        <>
          <path
            d={`M${x(low)} 12 H${Math.max(x(high), x(low) + 2)}`}
            stroke={lot.tooOld ? "var(--forbid)" : "var(--leaf)"}
            strokeWidth={7}
            opacity={0.75}
          />
          <path d={`M${x(middle)} 4 V20`} stroke="var(--ink)" strokeWidth={2.5} />
        </>
      ) : (
        <text x={width / 2} y={16.5} fontSize={13} textAnchor="middle" fill="var(--ink)">
          not known
        </text>
      )}
    </svg>
  );
}

function LotDialog({ seeds, lot, onClose }: { seeds: Schemas["SeedsView"]; lot?: Lot; onClose: () => void }) {
  const today = useSite().data?.today ?? "";
  const beds = usePlot().data?.beds ?? [];
  return (
    <FormDialog
      title={lot ? `Change ${lot.name}` : "Put seed by"}
      act="Note it"
      values={{
        speciesId: lot?.speciesId ?? "",
        name: lot?.name ?? "",
        origin: lot?.origin ?? "own",
        motherId: String(lot?.motherId ?? 0),
        mothers: lot?.mothers ? String(lot.mothers) : "",
        source: lot?.source ?? "",
        ripeOn: lot?.ripeOn ?? today,
        sign: lot?.sign ?? "",
        dried: lot?.dried ?? "",
        storage: lot?.storage ?? "cool room",
        weight: lot?.weight ?? "",
        count: lot?.count ?? "",
        labelled: lot?.labelled ? "yes" : "",
        note: lot?.note ?? "",
      }}
      version={lot?.version}
      fields={[
        { name: "speciesId", label: "Seed of, by any name", kind: "plant", wide: true },
        { name: "name", label: "What is written on the packet" },
        {
          name: "origin",
          label: "It is",
          kind: "choice",
          options: [
            ["own", "own seed"],
            ["bought", "bought, or given"],
          ],
        },
        {
          name: "motherId",
          label: "From which mother",
          kind: "choice",
          when: (t) => t.origin === "own",
          options: plantingChoices(beds, "not known"),
        },
        { name: "mothers", label: "From how many plants", kind: "number", when: (t) => t.origin === "own" },
        { name: "source", label: "Whose it is", when: (t) => t.origin === "bought" },
        { name: "ripeOn", label: "Ripe on, or packed on", kind: "day" },
        { name: "sign", label: "By which sign it was ripe", when: (t) => t.origin === "own" },
        { name: "dried", label: "How it was dried", when: (t) => t.origin === "own" },
        {
          name: "storage",
          label: "Kept in",
          kind: "choice",
          options: seeds.storages.map((words) => [words, words] as const),
        },
        {
          name: "weight",
          label: "It weighs",
          help: `In ${seeds.weightUnit} where no unit stands; empty for not weighed`,
        },
        { name: "count", label: "About how many seeds", help: "Empty: reckoned from the weight" },
        { name: "labelled", label: "It came labelled from a known source", kind: "tick", wide: true },
        { name: "note", label: "Note", wide: true },
      ]}
      onClose={onClose}
      send={(typed, version) => {
        const body = {
          speciesId: typed.speciesId ?? "",
          name: typed.name ?? "",
          origin: typed.origin as "own",
          motherId: typed.origin === "own" ? whole(typed.motherId) || undefined : undefined,
          mothers: typed.origin === "own" ? whole(typed.mothers) || undefined : undefined,
          source: typed.source,
          ripeOn: typed.ripeOn ?? "",
          sign: typed.sign,
          dried: typed.dried,
          storage: typed.storage as "cool room",
          weight: typed.weight,
          count: typed.count,
          labelled: typed.labelled === "yes",
          note: typed.note,
        };
        return answerOf(
          lot
            ? api.PUT("/api/seeds/{id}", {
                params: { path: { id: lot.id }, header: shownVersion(version) },
                body,
              })
            : api.POST("/api/seeds", { body }),
        );
      }}
    />
  );
}

function TestDialog({ lot, onClose }: { lot: Lot; onClose: () => void }) {
  const today = useSite().data?.today ?? "";
  return (
    <FormDialog
      title={`A test of ${lot.plant}, ${lot.name}`}
      act="Note the test"
      values={{ tried: "20", cameUp: "", day: today, note: "" }}
      fields={[
        { name: "tried", label: "Seeds laid on damp paper", kind: "number" },
        { name: "cameUp", label: "Came up", kind: "number" },
        { name: "day", label: "Counted on", kind: "day" },
        { name: "note", label: "Note" },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/seeds/{id}/tests", {
            params: { path: { id: lot.id } },
            body: {
              tried: whole(typed.tried),
              cameUp: whole(typed.cameUp),
              day: typed.day ?? "",
              note: typed.note,
            },
          }),
        )
      }
    />
  );
}
