import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";

import { answerOf, api, type Schemas } from "../../api/client";
import { CautionList } from "../../parts/CautionList";
import { useKept } from "../../parts/shownDay";
import { Trouble } from "../../parts/Trouble";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { MoveDialog } from "./MoveDialog";
import { TakeDialog } from "./TakeDialog";
import { Way } from "./Way";
import { WeighJarDialog } from "./WeighJarDialog";
import { labelsOf } from "./LabelDialog";
import { useJar } from "./queries";

/** JarPanel is one jar: how much is in it, how to take some out, and the way from its bed. */
export function JarPanel({ id, shelves }: { id: number; shelves: Schemas["StoreShelf"][] }) {
  const { data: jar, error } = useJar(id);
  const kept = useKept();
  const { noted } = useUndo();
  const { send, sending, fault, asked, settle } = useSend();
  const [open, setOpen] = useState<"take" | "give" | "throw" | "weigh" | "move">();
  const [amount, setAmount] = useState("");
  if (error) return <Trouble reason={error} />;
  if (!jar) return null;
  const brief = jar.brief;
  const held = brief.held !== "";
  const usable = !held && !jar.empty;
  // Two touches: the jar, and the measure. What a cup of it weighs is asked for once.
  const take = async (measure: string) => {
    const entry = await send(() =>
      answerOf(
        api.POST("/api/store/jars/{id}/take", {
          params: { path: { id } },
          body: { kind: "taken", amount: measure },
        }),
      ).catch((reason: unknown) => {
        setAmount(measure);
        setOpen("take");
        throw reason;
      }),
    );
    if (entry) noted(entry);
  };
  const unseal = async () => {
    const entry = await send(() =>
      answerOf(api.POST("/api/store/jars/{id}/open", { params: { path: { id } } })),
    );
    if (entry) noted(entry);
  };
  const close = () => {
    setOpen(undefined);
    settle();
  };
  return (
    <Box
      component="section"
      aria-label={`The jar of ${brief.name}`}
      sx={{ borderLeft: { lg: "1px solid var(--rule)" }, pl: { lg: 2 } }}
    >
      <Typography variant="h2">{brief.name}</Typography>
      <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>
        {[`${brief.vessel} of ${brief.holds}`, jar.shelf, brief.opened, brief.keeps]
          .filter(Boolean)
          .join(" · ")}
      </Box>
      {held && <Box sx={{ color: "var(--forbid)", fontWeight: 700, my: 0.5 }}>Held back. {brief.held} </Box>}
      {held && <Link to={kept("/store/held")}>What to do</Link>}
      <Box sx={{ fontSize: 17, mt: 0.5 }}>
        <b>{jar.empty ? "Empty" : `${jar.left} left`}</b>
        {!held && !jar.empty && <Box sx={{ fontSize: 15 }}>{brief.out}</Box>}
        {brief.gap && <Box sx={{ fontSize: 15, color: "var(--clay)", fontWeight: 700 }}>{brief.gap}</Box>}
      </Box>
      {brief.here && <Box sx={{ color: "var(--forbid)", fontWeight: 700, fontSize: 14.5 }}>{brief.here}</Box>}
      {fault && asked.length === 0 && open === undefined && (
        <Box sx={{ color: "var(--forbid)" }}>{fault}</Box>
      )}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", my: 1 }}>
        {usable &&
          jar.measures.map((measure) => (
            <Button
              key={measure}
              variant="contained"
              disabled={sending}
              aria-label={`Take ${measure} of ${brief.name}`}
              onClick={() => void take(measure)}
            >
              Take {measure}
            </Button>
          ))}
        {usable && (
          <Button
            variant="outlined"
            onClick={() => {
              setAmount("");
              setOpen("take");
            }}
          >
            Other amount
          </Button>
        )}
      </Box>
      {!jar.empty && (
        <Box sx={{ display: "flex", gap: 0.5, flexWrap: "wrap", ml: -1 }}>
          {usable && brief.opened === "" && (
            <Button size="small" disabled={sending} onClick={() => void unseal()}>
              Open it
            </Button>
          )}
          {usable && (
            <Button size="small" onClick={() => setOpen("give")}>
              Give some away
            </Button>
          )}
          <Button size="small" onClick={() => setOpen("weigh")}>
            Weigh it
          </Button>
          <Button size="small" onClick={() => setOpen("move")}>
            Move it
          </Button>
          {!held && (
            <Button
              size="small"
              component="a"
              href={labelsOf({ jars: String(id), size: "large" })}
              target="_blank"
            >
              Label
            </Button>
          )}
          <Button size="small" color="error" onClick={() => setOpen("throw")}>
            Throw out
          </Button>
        </Box>
      )}
      <Typography variant="h3" sx={{ mt: 1.5 }}>
        Its way here
      </Typography>
      <Way steps={jar.way} />
      <Box sx={{ fontSize: 14.5, mt: 1 }}>
        {jar.lots.map((lot) => (
          <Box key={lot.id}>
            <Link to={kept(`/store/lots/${lot.id}`)}>{lot.words}</Link>
            {lot.held && <span style={{ color: "var(--forbid)" }}> · {lot.held}</span>}
          </Box>
        ))}
        {jar.sources.map((source) => (
          <Box key={`${source.pickingId}/${source.lotId}`} sx={{ color: "text.secondary" }}>
            {Math.round(100 * source.share)} %{" "}
            {source.plantingId > 0 ? (
              <Link to={kept(`/plantings/${source.plantingId}`)}>{source.words}</Link>
            ) : (
              source.words
            )}
          </Box>
        ))}
      </Box>
      <Typography variant="h3" sx={{ mt: 1.5 }}>
        Cautions
      </Typography>
      {jar.newCautions.map((line) => (
        <Box key={line} sx={{ color: "var(--forbid)", fontWeight: 700 }}>
          New: {line}
        </Box>
      ))}
      <CautionList cautions={jar.cautions} />
      <Typography variant="h3" sx={{ mt: 1.5 }}>
        In and out
      </Typography>
      <Box
        component="ul"
        sx={{ m: 0, pl: 2.2, fontSize: 14, maxHeight: 190, overflowY: "auto" }}
        tabIndex={0}
        aria-label="In and out"
      >
        {jar.flows.map((flow) => (
          <li key={flow.id}>{flow.words}</li>
        ))}
      </Box>
      {open === "take" && <TakeDialog jar={jar} kind="taken" amount={amount} onClose={close} />}
      {open === "give" && <TakeDialog jar={jar} kind="given" amount="" onClose={close} />}
      {open === "throw" && <TakeDialog jar={jar} kind="thrown" amount="" onClose={close} />}
      {open === "weigh" && <WeighJarDialog jar={jar} onClose={close} />}
      {open === "move" && <MoveDialog jar={jar} shelves={shelves} onClose={close} />}
    </Box>
  );
}
