import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { useSearchParams } from "react-router";

import { answerOf, api, shownVersion, type Schemas } from "../../api/client";
import { FormDialog } from "../../parts/FormDialog";
import { Trouble } from "../../parts/Trouble";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { Glass } from "./Glass";
import { Head } from "./Head";
import { useWater } from "./queries";
import { WaterCourse } from "./WaterCourse";

type Bed = Schemas["BedWaterView"];
type Opened = "water" | "feel" | "settings";

/** Water is what each bed's ground holds, what it wants, and what it must not have. */
export function Water() {
  const [params, setParams] = useSearchParams();
  const query = useWater();
  const [opened, setOpened] = useState<Opened>();
  const water = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!water) return <Box sx={{ minHeight: 600 }} />;
  const bed = water.beds.find((one) => String(one.bedId) === params.get("bed")) ?? water.beds[0];
  const close = () => setOpened(undefined);
  return (
    <>
      <Head title="Water in the ground" words={water.summary}>
        <Button onClick={() => setOpened("settings")}>How you water</Button>
      </Head>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 430px) minmax(0, 1fr)" },
          columnGap: 4,
          rowGap: 2,
        }}
      >
        <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }} aria-label="Beds">
          {water.beds.map((one) => (
            <li key={one.bedId}>
              <BedRow
                bed={one}
                chosen={one === bed}
                onChoose={() => setParams({ bed: String(one.bedId) }, { replace: true })}
              />
            </li>
          ))}
        </Box>
        {bed && (
          // On a phone what was touched comes up to where the eye is.
          <Box sx={{ minWidth: 0, order: { xs: params.has("bed") ? -1 : 0, md: 0 } }}>
            <BedDetail bed={bed} settings={water.settings} onOpen={setOpened} />
          </Box>
        )}
      </Box>
      {bed && opened === "water" && <WaterDialog bed={bed} today={water.today} onClose={close} />}
      {bed && opened === "feel" && <FeelDialog bed={bed} water={water} onClose={close} />}
      {opened === "settings" && <SettingsDialog settings={water.settings} onClose={close} />}
    </>
  );
}

function BedRow({ bed, chosen, onChoose }: { bed: Bed; chosen: boolean; onChoose: () => void }) {
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={chosen}
      onClick={onChoose}
      sx={{
        display: "flex",
        gap: 1.5,
        width: "100%",
        textAlign: "left",
        font: "inherit",
        color: "inherit",
        border: 0,
        borderBottom: "1px solid var(--rule)",
        borderLeft: `5px solid ${chosen ? "var(--bramble)" : "transparent"}`,
        background: chosen ? "var(--card)" : "none",
        p: "8px 8px 6px 10px",
        cursor: "pointer",
      }}
    >
      <Glass bed={bed} />
      <Box sx={{ minWidth: 0 }}>
        <Box sx={{ fontWeight: 700, fontSize: 17 }}>{bed.name}</Box>
        <Box sx={{ color: "text.secondary", fontSize: 14 }}>{bed.state}</Box>
        <Box
          sx={{
            color: bed.advice === "water" ? "var(--clay)" : "inherit",
            fontWeight: bed.advice === "water" ? 700 : 400,
          }}
        >
          {bed.words}
        </Box>
      </Box>
    </Box>
  );
}

interface DetailProps {
  bed: Bed;
  settings: Schemas["WaterSettingsView"];
  onOpen: (what: Opened) => void;
}

function BedDetail({ bed, settings, onOpen }: DetailProps) {
  const { noted } = useUndo();
  const { send, sending, fault } = useSend();
  const probe = async () => {
    const entry = await send(() =>
      answerOf(api.POST("/api/beds/{id}/probe", { params: { path: { id: bed.bedId } } })),
    );
    if (entry) noted(entry);
  };
  return (
    <Box>
      <Typography variant="h2">{bed.name}</Typography>
      <Box sx={{ mb: 1 }}>{bed.words}</Box>
      <WaterCourse bed={bed} />
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", my: 1 }} className="no-print">
        <Button variant="contained" onClick={() => onOpen("water")}>
          Note a watering
        </Button>
        <Button variant="outlined" onClick={() => onOpen("feel")}>
          Feel the soil
        </Button>
        {settings.probe !== "" && (
          <Button variant="outlined" disabled={sending} onClick={() => void probe()}>
            Read the probe (simulated)
          </Button>
        )}
      </Box>
      {fault && <Box sx={{ color: "var(--forbid)" }}>{fault}</Box>}
      {bed.rest && <Box sx={{ color: "var(--forbid)" }}>{bed.rest}</Box>}
      {bed.unfit && <Box sx={{ color: "var(--forbid)" }}>{bed.unfit}</Box>}
      <Box
        component="dl"
        sx={{
          display: "grid",
          gridTemplateColumns: "auto 1fr",
          columnGap: 2,
          rowGap: 0.3,
          "& dd": { m: 0 },
          "& dt": { color: "text.secondary" },
        }}
      >
        <dt>To fill it</dt>
        <dd>{bed.litres}</dd>
        <dt>Holds</dt>
        <dd>{bed.holds}</dd>
        <dt>Takes</dt>
        <dd>{bed.takes}</dd>
        <dt>Ground</dt>
        <dd>{bed.soil}</dd>
        <dt>In it</dt>
        <dd>{bed.plantings.join(", ") || "nothing"}</dd>
      </Box>
      {bed.done.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: 1 }}>
            Given and felt
          </Typography>
          {bed.done.map((one) => (
            <Box key={`${one.kind} ${one.id}`}>{one.words}</Box>
          ))}
        </>
      )}
      <Box sx={{ color: "text.secondary", fontSize: 14, mt: 1 }}>
        Line: as it went; from today on as it may go, 8 in 10 within the band. A drop is a watering, a ring
        what was felt.
      </Box>
    </Box>
  );
}

function WaterDialog({ bed, today, onClose }: { bed: Bed; today: string; onClose: () => void }) {
  return (
    <FormDialog
      title={`Water given to ${bed.name}`}
      act="Note it"
      values={{ day: today, amount: "", note: "" }}
      fields={[
        { name: "day", label: "Day", kind: "day" },
        {
          name: "amount",
          label: "How much",
          help: `20 l, or 3 min of the hose. ${bed.litres} fills it today.`,
        },
        { name: "note", label: "Note", wide: true },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/beds/{id}/waterings", {
            params: { path: { id: bed.bedId } },
            body: { day: typed.day ?? "", amount: typed.amount ?? "", note: typed.note },
          }),
        )
      }
    />
  );
}

function FeelDialog({ bed, water, onClose }: { bed: Bed; water: Schemas["WaterView"]; onClose: () => void }) {
  return (
    <FormDialog
      title={`The soil of ${bed.name}, a finger deep and more`}
      act="Note it"
      values={{ day: water.today, feel: water.feels[0]?.id ?? "", note: "" }}
      fields={[
        {
          name: "feel",
          label: "How it felt",
          kind: "choice",
          options: water.feels.map((f) => [f.id, f.name] as const),
          wide: true,
        },
        { name: "day", label: "Day", kind: "day" },
        { name: "note", label: "Note" },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/beds/{id}/feels", {
            params: { path: { id: bed.bedId } },
            body: { day: typed.day ?? "", feel: typed.feel ?? "", note: typed.note },
          }),
        )
      }
    />
  );
}

function SettingsDialog({
  settings,
  onClose,
}: {
  settings: Schemas["WaterSettingsView"];
  onClose: () => void;
}) {
  return (
    <FormDialog
      title="How you water"
      act="Note it"
      values={{ flow: settings.flow, probe: settings.probe }}
      version={settings.version}
      fields={[
        {
          name: "flow",
          label: "What the hose or can brings in a minute",
          help: settings.said ? "" : "A guess: fill a bucket by the clock",
          wide: true,
        },
        {
          name: "probe",
          label: "Soil probe",
          kind: "choice",
          options: [
            ["", "none"],
            ["simulated", "a simulated one, that ships with this"],
          ],
          wide: true,
        },
      ]}
      onClose={onClose}
      send={(typed, version) =>
        answerOf(
          api.PUT("/api/water/settings", {
            params: { header: shownVersion(version) },
            body: { flow: typed.flow ?? "", probe: typed.probe as "simulated" },
          }),
        )
      }
    />
  );
}
