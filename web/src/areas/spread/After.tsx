import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";

import { answerOf, api, type Schemas } from "../../api/client";
import { FormDialog, whole } from "../../parts/FormDialog";
import { Trouble } from "../../parts/Trouble";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { Reckoning } from "../../parts/Reckoning";
import { useShown } from "../../parts/useShown";
import { Head } from "./Head";
import { useAfter } from "./queries";
import { SettingsDialog } from "./SettingsDialog";

type Bed = Schemas["AfterBed"];

/** After is each bed after its crop: the animals that may clear it, what is fenced from them, and what comes then. */
export function After() {
  const [params, setParams] = useSearchParams();
  const [opened, setOpened] = useState<"plan" | "settings">();
  const { data: view, error } = useAfter();
  if (error) return <Trouble reason={error} />;
  if (!view) return <Reckoning />;
  const bed = view.beds.find((one) => String(one.bedId) === params.get("bed")) ?? view.beds[0];
  return (
    <>
      <Head title="After the crop" words="Harvest, then hens or ducks, then mulch or seed.">
        <Button variant="outlined" onClick={() => setOpened("settings")}>
          Which animals are kept
        </Button>
      </Head>
      {view.beds.length === 0 && <p>There is no bed on the plan.</p>}
      {bed && (
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "300px minmax(0, 1fr)" },
            columnGap: 3.5,
            alignItems: "start",
          }}
        >
          <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }} aria-label="Beds">
            {view.beds.map((one) => (
              <li key={one.bedId}>
                <Box
                  component="button"
                  type="button"
                  aria-pressed={one === bed}
                  onClick={() => setParams({ bed: String(one.bedId) }, { replace: true })}
                  sx={{
                    width: "100%",
                    textAlign: "left",
                    font: "inherit",
                    color: "inherit",
                    border: 0,
                    borderBottom: "1px solid var(--rule)",
                    borderLeft: `5px solid ${one === bed ? "var(--bramble)" : "transparent"}`,
                    background: one === bed ? "var(--card)" : "none",
                    p: "6px 10px",
                    minHeight: 44,
                    cursor: "pointer",
                  }}
                >
                  <b>{one.bed}</b>
                  <Box sx={{ fontSize: 14, color: "text.secondary" }}>
                    {one.plan ? one.plan.words : one.free}
                  </Box>
                </Box>
              </li>
            ))}
          </Box>
          <Detail bed={bed} kept={view.animals.length > 0} onPlan={() => setOpened("plan")} />
        </Box>
      )}
      <Box sx={{ mt: 1.5, color: "var(--forbid)" }}>{view.caution}</Box>
      {opened === "settings" && <SettingsDialog onClose={() => setOpened(undefined)} />}
      {bed && opened === "plan" && (
        <PlanDialog bed={bed} animals={view.animals} onClose={() => setOpened(undefined)} />
      )}
    </>
  );
}

function Detail({ bed, kept, onPlan }: { bed: Bed; kept: boolean; onPlan: () => void }) {
  const { noted } = useUndo();
  const { send, sending } = useSend();
  const end = async (id: number) => {
    const entry = await send(() =>
      answerOf(api.POST("/api/clearings/{id}/end", { params: { path: { id } } })),
    );
    if (entry) noted(entry);
  };
  const box = useShown<HTMLDivElement>(bed.bedId);
  return (
    <Box ref={box} sx={{ minWidth: 0 }}>
      <Typography variant="h2">{bed.bed}</Typography>
      <Box sx={{ fontWeight: 700 }}>{bed.free}</Box>
      {bed.plan && (
        <Box sx={{ borderLeft: "5px solid var(--bramble)", background: "var(--card)", p: "6px 12px", my: 1 }}>
          {bed.plan.words}{" "}
          <Button disabled={sending} onClick={() => void end(bed.plan?.id ?? 0)}>
            It is over
          </Button>
        </Box>
      )}
      {bed.refused && <Box sx={{ color: "var(--forbid)" }}>{bed.refused}</Box>}
      <Box component="ol" sx={{ pl: 2.5, my: 1, "& li": { mb: 0.3 } }}>
        {bed.steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </Box>
      {bed.days.map((one) => (
        <Box key={one.animal} sx={{ fontWeight: 600 }}>
          {one.words}
        </Box>
      ))}
      {!bed.plan && !bed.refused && (
        <Button variant="contained" sx={{ my: 1 }} disabled={!kept} onClick={onPlan}>
          {kept ? "Plan the animals" : "No hens or ducks are kept"}
        </Button>
      )}
      <Lines title="May harm them: lifted or fenced" lines={bed.harms} colour="--forbid" />
      <Lines title="Stays: fenced" lines={bed.fence} colour="--clay" />
      <Lines title="They eat it" lines={bed.clears} colour="--leaf" />
      <Lines title="They leave it" lines={bed.leaves} colour="--softInk" />
    </Box>
  );
}

function Lines({ title, lines, colour }: { title: string; lines: Schemas["AfterLine"][]; colour: string }) {
  if (lines.length === 0) return null;
  return (
    <Box sx={{ mt: 0.8 }}>
      <Box sx={{ fontWeight: 700, color: `var(${colour})` }}>{title}</Box>
      {lines.map((line) => (
        <Box key={line.plantingId} sx={{ fontSize: 14.5 }}>
          <Link to={`/plantings/${line.plantingId}`}>{line.name}</Link> {line.words}
        </Box>
      ))}
    </Box>
  );
}

function PlanDialog({ bed, animals, onClose }: { bed: Bed; animals: string[]; onClose: () => void }) {
  return (
    <FormDialog
      title={`Animals in ${bed.bed}`}
      act="Plan it"
      yes="Yes, it will be"
      values={{ animal: animals[0] ?? "hens", head: "4", day: bed.from, days: "5", then: "mulch", note: "" }}
      fields={[
        {
          name: "animal",
          label: "Which",
          kind: "choice",
          options: animals.map((one) => [one, one] as const),
        },
        { name: "head", label: "How many", kind: "number" },
        { name: "day", label: "From", kind: "day" },
        { name: "days", label: "For how many days", kind: "number" },
        {
          name: "then",
          label: "Then",
          kind: "choice",
          options: [
            ["mulch", "mulch it"],
            ["sow", "rake and sow"],
            ["rest", "leave it to rest"],
          ],
        },
        { name: "note", label: "Note" },
      ]}
      onClose={onClose}
      send={(typed, _, affirmed) =>
        answerOf(
          api.POST("/api/clearings", {
            body: {
              bedId: bed.bedId,
              animal: typed.animal as "hens",
              head: whole(typed.head),
              day: typed.day ?? "",
              days: whole(typed.days),
              then: typed.then as "mulch",
              note: typed.note,
              affirmed,
            },
          }),
        )
      }
    />
  );
}
