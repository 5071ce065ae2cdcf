import { Box, Button, Checkbox, FormControlLabel, Typography } from "@mui/material";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";

import { answerOf, api, shownVersion, type Schemas } from "../../api/client";
import { fullDay } from "../../parts/dates";
import { DayField } from "../../parts/DayField";
import { SelectField } from "../../parts/SelectField";
import { Trouble } from "../../parts/Trouble";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { Reckoning } from "../../parts/Reckoning";
import { Head } from "./Head";
import { HoldPicture, keyOf } from "./HoldPicture";
import { useHold, useSpread, type HoldAsk } from "./queries";
import { SettingsDialog } from "./SettingsDialog";

type Option = Schemas["HoldOption"];
type View = Schemas["HoldView"];

/** Hold is the ways of holding one stand side by side: what each takes, and how surely it keeps. */
export function Hold() {
  const { id } = useParams();
  const go = useNavigate();
  const stands = useSpread(false, 3).data?.stands;
  const planting = Number(id) || stands?.[0]?.plantingId || 0;
  if (!planting) return <Reckoning />;
  const options = (stands ?? []).map((s) => [String(s.plantingId), `${s.name}, ${s.bed}`] as const);
  return (
    <Held
      key={planting}
      planting={planting}
      choice={
        options.length > 0 && (
          <SelectField
            label="Stand"
            value={options.some(([value]) => value === String(planting)) ? String(planting) : ""}
            options={
              options.some(([value]) => value === String(planting)) ? options : [["", "another"], ...options]
            }
            onChange={(value) => void go(`/spread/hold/${value}`)}
            width={230}
          />
        )
      }
    />
  );
}

function Held({ planting, choice }: { planting: number; choice: React.ReactNode }) {
  const [ask, setAsk] = useState<HoldAsk>({ target: "", line: 0, with: [], beheadOn: "" });
  const [shown, setShown] = useState("");
  const [settings, setSettings] = useState(false);
  const query = useHold(planting, ask);
  const view = query.data;
  if (query.error && !view)
    return (
      <>
        <Head title="Hold it">{choice}</Head>
        <Trouble reason={query.error} />
      </>
    );
  if (!view) return <Reckoning />;
  const extra = [view.least, view.tried, view.chosen].filter((o): o is Option => o !== undefined);
  const options = [
    ...view.options,
    ...extra.filter((o, i) => isNew(o, [...view.options, ...extra.slice(0, i)])),
  ];
  const looked =
    options.find((o) => keyOf(o) === shown) ?? view.tried ?? view.chosen ?? view.least ?? options[0];
  if (!looked) return null;
  const change = (piece: Partial<HoldAsk>) => setAsk((before) => ({ ...before, ...piece }));
  return (
    <>
      <Head title="Hold it" words={`${view.name}, ${view.bed}. ${view.state}`}>
        {choice}
      </Head>
      {query.error && <Trouble reason={query.error} />}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 400px" },
          columnGap: 3.5,
          alignItems: "start",
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          <Box sx={{ display: "flex", gap: 1.5, alignItems: "center", flexWrap: "wrap", mb: 1 }}>
            <SelectField
              label="It is not to get"
              value={view.target}
              options={view.targets.map((t) => [t.key, t.where] as const)}
              onChange={(target) => change({ target })}
              width={260}
            />
            <Box>
              {view.there ? "in ten years still" : "within ten years"}:{" "}
              <b>less than 1 in {Math.round(1 / view.line)}</b>, your line
            </Box>
          </Box>
          <HoldPicture
            options={options}
            chosen={keyOf(looked)}
            line={ask.line || view.line}
            there={view.there}
            onChoose={setShown}
            onLine={(line) => change({ line })}
          />
          <Together view={view} ask={ask} onChange={change} onShown={setShown} />
        </Box>
        <Box sx={{ minWidth: 0 }}>
          <Chosen view={view} option={looked} />
          <Deadline view={view} ask={ask} onChange={change} />
          <Facts view={view} />
          <Button onClick={() => setSettings(true)}>Prices and hens</Button>
        </Box>
      </Box>
      <Table options={options} chosen={looked} least={view.least} there={view.there} onShow={setShown} />
      {settings && <SettingsDialog onClose={() => setSettings(false)} />}
    </>
  );
}

const isNew = (option: Option, among: Option[]) => !among.some((other) => keyOf(other) === keyOf(option));

/** Chosen is the way that is looked at: what it does and takes, its jobs, and making it the policy. */
function Chosen({ view, option }: { view: View; option: Option }) {
  const { noted } = useUndo();
  const { send, sending, fault, fields } = useSend();
  const least = view.least && keyOf(view.least) === keyOf(option);
  const is = view.chosen && keyOf(view.chosen) === keyOf(option);
  const set = async (policy: "held" | "bounded" | "free" | "rid", ways: string[]) => {
    const entry = await send(() =>
      answerOf(
        api.PUT("/api/plantings/{id}/hold", {
          params: { path: { id: view.plantingId }, header: shownVersion(view.version) },
          body: { policy, ways, target: view.target, line: view.line },
        }),
      ),
    );
    if (entry) noted(entry);
  };
  const drop = async () => {
    const entry = await send(() =>
      answerOf(api.DELETE("/api/plantings/{id}/hold", { params: { path: { id: view.plantingId } } })),
    );
    if (entry) noted(entry);
  };
  const run = option.ways.length === 0;
  const policy = option.lives ? "rid" : view.target === "edge" ? "held" : "bounded";
  return (
    <Box>
      <Typography variant="h2" sx={{ "&::first-letter": { textTransform: "uppercase" } }}>
        {option.words}
      </Typography>
      <Box sx={{ borderLeft: `5px solid var(${option.underLine ? "--leaf" : "--clay"})`, pl: 1.2, my: 0.5 }}>
        <b>
          {view.where}: {option.outWords} {view.there ? "still in ten years" : "within ten years"}
        </b>
        {option.underLine ? ", under your line." : ", over your line."}
        <Box>
          {option.work}; {option.money}.{option.bank && ` ${option.bank} in the ground after ten years.`}
          {option.lives && ` ${option.lives}.`}
        </Box>
        {least && <Box sx={{ fontWeight: 600 }}>The least work that keeps under your line.</Box>}
        {is && <Box sx={{ fontWeight: 600 }}>This is how it is held, since {fullDay(view.since)}.</Box>}
      </Box>
      {option.jobs.map((job) => (
        <Box
          key={`${job.what} ${job.days}`}
          sx={{
            display: "grid",
            gridTemplateColumns: "125px 1fr auto",
            columnGap: 1,
            borderTop: "1px dotted var(--rule)",
            py: 0.3,
          }}
        >
          <b>{job.days}</b>
          <span>{job.what}</span>
          <Box component="span" sx={{ color: "text.secondary" }}>
            {job.work}
          </Box>
          <Box sx={{ gridColumn: "2 / -1", fontSize: 14, color: "var(--clay)" }}>{job.missed}</Box>
        </Box>
      ))}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", my: 1 }}>
        {run ? (
          <Button
            variant="contained"
            disabled={sending || view.policy === "free"}
            onClick={() => void set("free", [])}
          >
            Let it run
          </Button>
        ) : (
          <Button
            variant="contained"
            disabled={sending || Boolean(is)}
            onClick={() => void set(policy, option.ways)}
          >
            {policy === "rid" ? "Be rid of it this way" : "Hold it this way"}
          </Button>
        )}
        {view.policy !== "" && (
          <Button variant="outlined" disabled={sending} onClick={() => void drop()}>
            Take the policy away
          </Button>
        )}
      </Box>
      {(fault || Object.values(fields).join(" ")) && (
        <Box sx={{ color: "var(--forbid)" }}>{fault || Object.values(fields).join(" ")}</Box>
      )}
    </Box>
  );
}

interface PartProps {
  view: View;
  ask: HoldAsk;
  onChange: (piece: Partial<HoldAsk>) => void;
}

/** Together tries several ways at once. */
function Together({ view, ask, onChange, onShown }: PartProps & { onShown: (key: string) => void }) {
  const single = view.options.filter((option) => option.ways.length === 1);
  const toggle = (way: string, on: boolean) => {
    // Of the same way done oftener, the last that was ticked stands.
    const rest = ask.with.filter((other) => other.split(":")[0] !== way.split(":")[0]);
    const next = on ? [...rest, way] : rest;
    onChange({ with: next });
    onShown(next.length > 0 ? "" : keyOf(view.options[0] as Option));
  };
  return (
    <Box component="fieldset" sx={{ border: 0, p: 0, m: 0 }}>
      <Box component="legend" sx={{ fontWeight: 700 }}>
        Try several together
      </Box>
      <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1 }}>
        {single.map((option) => (
          <FormControlLabel
            key={keyOf(option)}
            control={
              <Checkbox
                checked={ask.with.includes(keyOf(option))}
                onChange={(_, on) => toggle(keyOf(option), on)}
              />
            }
            label={option.words}
          />
        ))}
      </Box>
      {view.refused.map((one) => (
        <Box key={one.way} sx={{ fontSize: 14, color: "text.secondary" }}>
          Not {one.way}: {one.why}
        </Box>
      ))}
    </Box>
  );
}

/** Deadline is the last day to behead, and what each day of waiting costs. */
function Deadline({ view, ask, onChange }: PartProps) {
  if (!view.deadline.words) return null;
  const late = view.deadline.late.filter((_, i) => i % 7 === 0).slice(0, 7);
  return (
    <Box sx={{ mt: 1 }}>
      <Typography variant="h3">The last day to behead</Typography>
      <Box sx={{ color: view.deadline.passed ? "var(--clay)" : "inherit" }}>{view.deadline.words}</Box>
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: "4px 0" }} aria-label="Being late">
        {late.map((point) => (
          <Box
            component="li"
            key={point.on}
            sx={{ display: "flex", gap: 1, alignItems: "center", fontSize: 14.5 }}
          >
            <Box
              sx={{
                width: `${Math.max(2, point.chance * 90)}px`,
                height: 9,
                background: "var(--clay)",
                flex: "none",
              }}
            />
            {point.words}
          </Box>
        ))}
      </Box>
      <Box sx={{ maxWidth: 230, mt: 1 }}>
        <DayField
          label="Beheaded on"
          value={ask.beheadOn || view.beheadOn}
          onChange={(beheadOn) => onChange({ beheadOn })}
        />
      </Box>
    </Box>
  );
}

function Facts({ view }: { view: View }) {
  return (
    <Box sx={{ fontSize: 14.5, mt: 1, "& > *": { mb: 0.4 } }}>
      <div>{view.roots}</div>
      {view.riddance && <div>{view.riddance}</div>}
      {view.throwAway && (
        <div>
          <b>What is taken out:</b> {view.throwAway}
        </div>
      )}
      {view.notes.map((note) => (
        <Box key={note} sx={{ color: "var(--clay)" }}>
          {note}
        </Box>
      ))}
      <div>
        <Link to={`/plantings/${view.plantingId}`}>{view.name}</Link>
      </div>
    </Box>
  );
}

interface TableProps {
  options: Option[];
  chosen: Option;
  least: Option | undefined;
  there: boolean;
  onShow: (key: string) => void;
}

/** Table is the same ways as a list, for reading and for the keyboard. */
function Table({ options, chosen, least, there, onShow }: TableProps) {
  const rows = [...options].sort((a, b) => a.hours - b.hours);
  return (
    <Box sx={{ overflowX: "auto", mt: 1.5 }} tabIndex={0} role="region" aria-label="The ways side by side">
      <Box
        component="table"
        sx={{
          borderCollapse: "collapse",
          width: "100%",
          minWidth: 640,
          "& td, & th": {
            textAlign: "left",
            borderTop: "1px solid var(--rule)",
            p: "4px 8px 4px 0",
            verticalAlign: "top",
          },
        }}
      >
        <thead>
          <tr>
            <th>Way</th>
            <th>Work</th>
            <th>Money</th>
            <th>{there ? "Still out" : "Gets out"}</th>
            <th>Seed in ten years</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((option) => (
            <Box
              component="tr"
              key={keyOf(option)}
              sx={{ background: option === chosen ? "var(--card)" : "none" }}
            >
              <td>
                <Button
                  size="small"
                  onClick={() => onShow(keyOf(option))}
                  sx={{ textAlign: "left", justifyContent: "flex-start" }}
                >
                  {option.words}
                </Button>
                {least && keyOf(least) === keyOf(option) && " · least"}
              </td>
              <td>{option.work}</td>
              <td>{option.money}</td>
              <td>
                <Box
                  component="span"
                  sx={{
                    color: option.underLine ? "var(--leaf)" : "inherit",
                    fontWeight: option.underLine ? 700 : 400,
                  }}
                >
                  {option.outWords}
                </Box>
              </td>
              <td>{[option.bank, option.lives].filter(Boolean).join("; ") || "not on record"}</td>
            </Box>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
