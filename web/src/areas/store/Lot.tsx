import { Alert, Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { Link, useParams } from "react-router";

import { answerOf, api } from "../../api/client";
import { CautionList } from "../../parts/CautionList";
import { Reckoning } from "../../parts/Reckoning";
import { useKept } from "../../parts/shownDay";
import { Trouble } from "../../parts/Trouble";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { FillDialog } from "./FillDialog";
import { FinishDialog } from "./FinishDialog";
import { Head } from "./Head";
import { labelsOf } from "./LabelDialog";
import { useLot, useStore } from "./queries";
import { Way } from "./Way";
import { WhyDialog } from "./WhyDialog";

/** Lot is one lot: its way from the bed, its jars, its cautions. The square on a label opens it. */
export function Lot() {
  const id = Number(useParams().id);
  const { data: lot, error } = useLot(id);
  const store = useStore().data;
  const kept = useKept();
  const { noted } = useUndo();
  const { send, sending, fault } = useSend();
  const [open, setOpen] = useState<"fill" | "finish" | "discard" | "hold">();
  const [basket, setBasket] = useState<number>();
  if (error) return <Trouble reason={error} />;
  if (!lot) return <Reckoning />;
  const read = async () => {
    const entry = await send(() =>
      answerOf(api.POST("/api/store/lots/{id}/read", { params: { path: { id } } })),
    );
    if (entry) noted(entry);
  };
  const free = async () => {
    const entry = await send(() =>
      answerOf(api.POST("/api/store/recalls/{id}/undo", { params: { path: { id: lot.recall } } })),
    );
    if (entry) noted(entry);
  };
  return (
    <>
      <Head
        title={lot.name}
        words={[
          `Lot ${lot.label}`,
          ...lot.botanical,
          `keeps ${lot.keeps}`,
          lot.bought && `bought from ${lot.bought}`,
        ]
          .filter(Boolean)
          .join(" · ")}
      >
        {lot.held === "" && (
          <Button component="a" href={labelsOf({ lots: String(id), size: "large" })} target="_blank">
            Label
          </Button>
        )}
      </Head>
      {fault && <Alert severity="error">{fault}</Alert>}
      {lot.held && (
        <Box sx={{ color: "var(--forbid)", fontWeight: 700, mb: 1 }}>
          Held back. {lot.held}{" "}
          <Link to={kept("/store/held")} style={{ color: "inherit" }}>
            What to do
          </Link>
        </Box>
      )}
      {lot.newCautions.map((line) => (
        <Box key={line} sx={{ color: "var(--forbid)", fontWeight: 700 }}>
          New: {line}
        </Box>
      ))}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", mb: 1 }}>
        {lot.newCautions.length > 0 && (
          <Button variant="contained" disabled={sending} onClick={() => void read()}>
            Read, and labelled anew
          </Button>
        )}
        {lot.recall > 0 && (
          <Button variant="contained" disabled={sending} onClick={() => void free()}>
            It was an error: free it
          </Button>
        )}
        {lot.held === "" && lot.done && lot.line.left && (
          <Button variant="contained" onClick={() => setOpen("fill")}>
            Into a jar
          </Button>
        )}
        {!lot.done && lot.making !== "dried" && (
          <Button variant="contained" onClick={() => setOpen("finish")}>
            {lot.line.due ? "Strain it" : "Finish it"}
          </Button>
        )}
        {!lot.done && lot.making === "dried" && (
          <Button variant="contained" component={Link} to={kept("/store/drier")}>
            To the drier
          </Button>
        )}
        {(!lot.done || lot.line.left) && (
          <Button color="error" onClick={() => setOpen("discard")}>
            {lot.done ? `Throw out the ${lot.line.left} that is in no jar` : "Throw it out"}
          </Button>
        )}
        {lot.recall === 0 && (
          <Button color="error" onClick={() => setOpen("hold")}>
            Hold it back
          </Button>
        )}
      </Box>
      <Box sx={{ display: "flex", gap: 4, flexWrap: "wrap", alignItems: "flex-start" }}>
        <Box sx={{ flex: "1 1 380px", minWidth: 0 }}>
          <Typography variant="h2">Its way</Typography>
          <Way steps={lot.way} />
          <Box sx={{ color: "text.secondary", fontSize: 14.5, mt: 1 }}>{lot.balance}</Box>
          {lot.note && <Box sx={{ mt: 1 }}>{lot.note}</Box>}
        </Box>
        <Box sx={{ flex: "1 1 320px", minWidth: 0 }}>
          <Typography variant="h2">Of</Typography>
          {lot.sources.map((source) => (
            <Box key={`${source.pickingId}/${source.lotId}`}>
              {Math.round(100 * source.share)} %{" "}
              {source.plantingId > 0 ? (
                <Link to={kept(`/plantings/${source.plantingId}`)}>{source.words}</Link>
              ) : (
                source.words
              )}
              {source.held && <Box sx={{ color: "var(--forbid)" }}>{source.held}</Box>}
              {source.pickingId > 0 && !source.held && (
                <Button
                  size="small"
                  color="error"
                  aria-label={`Hold all of this picking back: ${source.words}`}
                  onClick={() => setBasket(source.pickingId)}
                >
                  Hold all of this picking back
                </Button>
              )}
            </Box>
          ))}
          {lot.jars.length > 0 && (
            <>
              <Typography variant="h2" sx={{ mt: 2 }}>
                In
              </Typography>
              {lot.jars.map((jar) => (
                <Box key={jar.id}>
                  {jar.empty ? jar.words : <Link to={kept(`/store?jar=${jar.id}`)}>{jar.words}</Link>}
                </Box>
              ))}
            </>
          )}
          {lot.steps.length > 0 && (
            <>
              <Typography variant="h2" sx={{ mt: 2 }}>
                To do
              </Typography>
              <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
                {lot.steps.map((step) => (
                  <li key={step.text}>
                    <b>{step.when}</b> {step.text}
                  </li>
                ))}
              </Box>
            </>
          )}
          <Typography variant="h2" sx={{ mt: 2 }}>
            Cautions
          </Typography>
          <CautionList cautions={lot.cautions} />
        </Box>
      </Box>
      {open === "fill" && store && (
        <FillDialog lot={lot.line} store={store} onClose={() => setOpen(undefined)} />
      )}
      {open === "finish" && <FinishDialog lot={lot.line} onClose={() => setOpen(undefined)} />}
      {open === "discard" && (
        <WhyDialog
          title={`Throw out ${lot.name}`}
          act="Throw it out"
          help="Mouldy, too long, dropped"
          send={(why) =>
            answerOf(api.POST("/api/store/lots/{id}/discard", { params: { path: { id } }, body: { why } }))
          }
          onClose={() => setOpen(undefined)}
        />
      )}
      {basket !== undefined && (
        <WhyDialog
          title="Hold all of this picking back"
          act="Hold it back"
          help="Every lot, jar and gift of it is held with it"
          send={(why) => answerOf(api.POST("/api/store/recalls", { body: { pickingId: basket, why } }))}
          onClose={() => setBasket(undefined)}
        />
      )}
      {open === "hold" && (
        <WhyDialog
          title={`Hold ${lot.name} back`}
          act="Hold it back"
          help="Everything that was made of it, its jars and gifts, are held with it"
          send={(why) => answerOf(api.POST("/api/store/recalls", { body: { lotId: id, why } }))}
          onClose={() => setOpen(undefined)}
        />
      )}
    </>
  );
}
