import { Box, Button, Checkbox, FormControlLabel, Typography } from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";

import { answerOf, api, type Schemas } from "../../api/client";
import { usePlot, useSite } from "../../api/queries";
import { CameUpDialog } from "../../parts/CameUpDialog";
import { dayMonth } from "../../parts/dates";
import { Sprig } from "../../parts/Sprig";
import { Trouble } from "../../parts/Trouble";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { bedChoices, placeChoices } from "../../parts/choices";
import { FormDialog, whole } from "../../parts/FormDialog";
import { Head } from "./Head";
import { useBench, useVolunteers, useWanted } from "./queries";

type Group = Schemas["VolunteerView"];
type Opened = "note" | "work" | { check: Group } | { lift: Group };

/** Volunteers is what came up by itself, in the order to rescue it, and what is to be expected about which mother. */
export function Volunteers() {
  const query = useVolunteers();
  const [opened, setOpened] = useState<Opened>();
  const view = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!view) return <Box sx={{ minHeight: 600 }} />;
  const close = () => setOpened(undefined);
  return (
    <>
      <Head
        title="Volunteers"
        words="Seedlings that came up by themselves: those whose ground is worked first come first."
      >
        <Button variant="contained" onClick={() => setOpened("note")}>
          Note seedlings seen
        </Button>
        <Button variant="outlined" onClick={() => setOpened("work")}>
          A bed will be worked
        </Button>
      </Head>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 340px" },
          columnGap: 3,
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          <Typography variant="h2">Seen</Typography>
          {view.groups.length === 0 && (
            <p>None are noted. Look about the mothers listed below, and note what you find.</p>
          )}
          {view.groups.map((group, i) => (
            <GroupRow
              key={group.id}
              group={group}
              place={i + 1}
              onCheck={() => setOpened({ check: group })}
              onLift={() => setOpened({ lift: group })}
            />
          ))}
          <Typography variant="h2" sx={{ mt: 2 }}>
            To be expected
          </Typography>
          {view.expected.length === 0 && <p>Nothing that seeds itself stood here last year.</p>}
          {view.expected.map((one) => (
            <Box
              key={one.motherId}
              sx={{
                display: "grid",
                gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) minmax(0, 1.5fr)" },
                borderTop: "1px solid var(--rule)",
                py: 0.6,
                columnGap: 2,
              }}
            >
              <Box>
                <Link to={`/plantings/${one.motherId}`}>{one.name}</Link>, {one.where}
              </Box>
              <Box sx={{ fontSize: 14.5 }}>
                {one.number} {one.from}
                {one.reach && <Box sx={{ color: "text.secondary" }}>{one.reach}</Box>}
              </Box>
            </Box>
          ))}
        </Box>
        <Box>
          <Typography variant="h2">Lifting one</Typography>
          <Lifting />
          <Box component="ol" sx={{ pl: 2.5, mt: 0.5, fontSize: 14.5 }}>
            {view.how.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </Box>
          {view.works.length > 0 && (
            <>
              <Typography variant="h3">Ground that will be worked</Typography>
              {view.works.map((work) => (
                <Box key={work.id} sx={{ fontSize: 14.5 }}>
                  {dayMonth(work.day)}: {work.bed}, {work.what}
                </Box>
              ))}
            </>
          )}
        </Box>
      </Box>
      {opened === "note" && <CameUpDialog onClose={close} />}
      {opened === "work" && <WorkDialog onClose={close} />}
      {typeof opened === "object" && "check" in opened && (
        <CheckDialog group={opened.check} onClose={close} />
      )}
      {typeof opened === "object" && "lift" in opened && <LiftDialog group={opened.lift} onClose={close} />}
    </>
  );
}

interface RowProps {
  group: Group;
  place: number;
  onCheck: () => void;
  onLift: () => void;
}

function GroupRow({ group, place, onCheck, onLift }: RowProps) {
  const { noted } = useUndo();
  const { send, sending } = useSend();
  const leave = async () => {
    const entry = await send(() =>
      answerOf(api.POST("/api/volunteers/{id}/leave", { params: { path: { id: group.id } } })),
    );
    if (entry) noted(entry);
  };
  const checked = group.checked === "it is";
  return (
    <Box
      component="article"
      aria-label={`${group.name}, ${group.where}`}
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "44px minmax(0, 1fr)", md: "24px 44px minmax(0, 1fr) auto" },
        columnGap: 1.2,
        alignItems: "center",
        borderTop: "1px solid var(--rule)",
        py: 0.8,
      }}
    >
      <Box sx={{ display: { xs: "none", md: "block" }, fontWeight: 700, color: "var(--clay)" }}>{place}</Box>
      <Sprig stage="shooting" species={group.speciesId} size={42} label="" />
      <Box>
        <b>
          {group.name}
          {!checked && " (unproven)"}
        </b>
        , about {group.plants}: {group.where}
        <Box sx={{ fontWeight: 600, color: group.known ? "var(--clay)" : "text.secondary" }}>
          Lift {group.rescue}
        </Box>
        <Box sx={{ fontSize: 14.5, color: "text.secondary" }}>
          {group.seen}; {group.state}
          {group.note && `. ${group.note}`}
        </Box>
      </Box>
      <Box sx={{ display: "flex", gap: 0.5, gridColumn: { xs: "2", md: "auto" } }}>
        {checked ? (
          <Button size="small" variant="contained" onClick={onLift}>
            Lift them
          </Button>
        ) : (
          <Button size="small" variant="contained" onClick={onCheck}>
            Check one
          </Button>
        )}
        <Button size="small" disabled={sending} onClick={() => void leave()}>
          Leave them
        </Button>
      </Box>
    </Box>
  );
}

/** Lifting draws the three sizes of seedling, of which the middle one is lifted, root straight down. */
function Lifting() {
  const plant = (x: number, height: number, root: number, strong: boolean) => (
    <g stroke={strong ? "var(--leaf)" : "var(--softInk)"} fill="none" strokeWidth={strong ? 2.6 : 1.5}>
      <path
        d={`M${x} 74 V${74 - height} m0 ${height * 0.4} q-14 -2 -15 -12 q13 0 15 12 q14 -2 15 -12 q-13 0 -15 12`}
      />
      <path d={`M${x} 74 V${74 + root}`} stroke="var(--ink)" strokeWidth={strong ? 2.2 : 1.2} />
    </g>
  );
  return (
    <svg
      width={300}
      height={142}
      role="img"
      aria-label="Of three seedlings the middle-sized is lifted, its root straight down"
      style={{ maxWidth: "100%" }}
    >
      <path d="M0 74 H300" stroke="var(--ink)" />
      <rect x={0} y={74} width={300} height={64} fill="var(--soil)" opacity={0.6} />
      {plant(55, 18, 14, false)}
      {plant(150, 34, 32, true)}
      {plant(246, 58, 60, false)}
      <path
        d="M126 76 L132 118 H168 L174 76"
        fill="none"
        stroke="var(--bramble)"
        strokeWidth={2}
        strokeDasharray="4 3"
      />
      <text x={55} y={134} fontSize={12.5} textAnchor="middle" fill="var(--ink)">
        too small yet
      </text>
      <text x={150} y={134} fontSize={13} fontWeight={700} textAnchor="middle" fill="var(--ink)">
        this one
      </text>
      <text x={214} y={134} fontSize={12.5} textAnchor="middle" fill="var(--ink)">
        too big
      </text>
    </svg>
  );
}

function WorkDialog({ onClose }: { onClose: () => void }) {
  const today = useSite().data?.today ?? "";
  const beds = usePlot().data?.beds;
  if (!beds) return null;
  return (
    <FormDialog
      title="A bed will be worked"
      act="Note it"
      values={{ bedId: String(beds[0]?.id ?? 0), day: today, what: "" }}
      fields={[
        { name: "bedId", label: "Which bed", kind: "choice", options: bedChoices(beds, "").slice(1) },
        { name: "day", label: "On", kind: "day" },
        { name: "what", label: "What is done", help: "Dug for beans, hoed, tilled", wide: true },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/bed-works", {
            body: { bedId: whole(typed.bedId), day: typed.day ?? "", what: typed.what ?? "" },
          }),
        )
      }
    />
  );
}

/** CheckDialog asks for the look at one seedling against every dangerous plant that it may be. */
function CheckDialog({ group, onClose }: { group: Group; onClose: () => void }) {
  const [excluded, setExcluded] = useState<string[]>([]);
  return (
    <FormDialog
      title={`Is it ${group.name}?`}
      act="Note what it was"
      values={{ found: "it is" }}
      fields={[
        {
          name: "found",
          label: "One was cut and looked at",
          kind: "choice",
          options: [
            ["it is", `it is ${group.name}, as far as can be seen`],
            ["it is not", "it is something else"],
          ],
          wide: true,
        },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/volunteers/{id}/check", {
            params: { path: { id: group.id } },
            body: { found: typed.found as "it is", dangers: excluded },
          }),
        )
      }
    >
      <Box sx={{ mt: 0.5 }}>
        A seedling shows little. This lets them be lifted; every planting of them stays unproven, and for no
        use, until its own check.
      </Box>
      {group.dangers.map((danger) => (
        <Box key={danger.id} sx={{ borderLeft: "5px solid var(--forbid)", pl: 1.2, my: 1 }}>
          <b>
            {danger.name}, {danger.danger}.
          </b>{" "}
          {danger.decides}
          <Box>
            <FormControlLabel
              control={
                <Checkbox
                  checked={excluded.includes(danger.id)}
                  onChange={(_, on) =>
                    setExcluded(on ? [...excluded, danger.id] : excluded.filter((id) => id !== danger.id))
                  }
                />
              }
              label={`I looked, and it is not ${danger.name}`}
            />
          </Box>
        </Box>
      ))}
      {group.dangers.length === 0 && (
        <Box sx={{ color: "text.secondary" }}>
          No dangerous look-alike is on record. That does not mean there is none.
        </Box>
      )}
    </FormDialog>
  );
}

function LiftDialog({ group, onClose }: { group: Group; onClose: () => void }) {
  const today = useSite().data?.today ?? "";
  const shelves = useBench().data?.shelves;
  const wanted = useWanted().data;
  if (!shelves || !wanted) return null; // what stands in the form is told by them
  const wishes = wanted.wishes.filter((wish) => wish.speciesId === group.speciesId);
  const open = shelves.filter((shelf) => ["cold house", "outdoors"].includes(shelf.kind));
  return (
    <FormDialog
      title={`Lift ${group.name}`}
      act="They are lifted"
      values={{
        day: today,
        plants: String(Math.min(group.plants, wishes[0]?.plants ?? group.plants)),
        placeId: String(open[0]?.id ?? 0),
        wishId: String(wishes[0]?.id ?? 0),
      }}
      fields={[
        { name: "plants", label: "How many", kind: "number" },
        { name: "day", label: "On", kind: "day" },
        {
          name: "placeId",
          label: "Into cells, in",
          kind: "choice",
          options: placeChoices(open, "straight into a bed"),
        },
        {
          name: "wishId",
          label: "For the wish",
          kind: "choice",
          options: [["0", "none"], ...wishes.map((wish) => [String(wish.id), wish.words] as const)],
        },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/volunteers/{id}/lift", {
            params: { path: { id: group.id } },
            body: {
              plants: whole(typed.plants),
              day: typed.day ?? "",
              placeId: whole(typed.placeId) || undefined,
              wishId: whole(typed.wishId) || undefined,
            },
          }),
        )
      }
    >
      <Box sx={{ fontSize: 14.5, color: "text.secondary" }}>
        They are hardened already: an unheated house or outdoors, never the warm.
      </Box>
    </FormDialog>
  );
}
