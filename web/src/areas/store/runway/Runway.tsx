import { Alert, Box, Button } from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";

import { answerOf, api, shownVersion, type Schemas } from "../../../api/client";
import { monthsOf } from "../../../parts/dates";
import { Reckoning } from "../../../parts/Reckoning";
import { useKept } from "../../../parts/shownDay";
import { Trouble } from "../../../parts/Trouble";
import { useUndo } from "../../../parts/Undo";
import { useSend } from "../../../parts/useSend";
import { useWidth } from "../../../parts/useWidth";
import { Head } from "../Head";
import { useRunway } from "../queries";
import { Strip } from "./Strip";

type Product = Schemas["ProductView"];

/** Runway is how long everything lasts: each product's line from today to empty, and when there is more. */
export function Runway() {
  const { data: view, error } = useRunway();
  const [chosen, setChosen] = useState("");
  const kept = useKept();
  if (error) return <Trouble reason={error} />;
  if (!view) return <Reckoning />;
  const open = view.products.find((one) => one.key === chosen) ?? view.products[0];
  return (
    <>
      <Head
        title="How long it lasts"
        words={
          view.products.length > 0
            ? `${view.words}. The line is what is left, its band 8 in 10; green is when it is picked again, dashes are the end of its time.`
            : undefined
        }
      />
      {view.products.length === 0 && (
        <Box sx={{ maxWidth: 620 }}>
          Nothing is in the store yet. Once jars stand on their <Link to={kept("/store")}>shelves</Link> and
          something is taken out of them, each has its line here from today to empty.
        </Box>
      )}
      <Box sx={{ display: "flex", gap: 3, flexWrap: { xs: "wrap", lg: "nowrap" }, alignItems: "flex-start" }}>
        <Strips view={view} chosen={open?.key ?? ""} onChoose={setChosen} />
        {open && (
          <Box sx={{ flex: { xs: "1 1 100%", lg: "0 0 330px" }, minWidth: 0 }}>
            <Panel key={open.key} product={open} />
          </Box>
        )}
      </Box>
    </>
  );
}

/** Strips are the lines under each other, over the same months. */
function Strips({
  view,
  chosen,
  onChoose,
}: {
  view: Schemas["RunwayView"];
  chosen: string;
  onChoose: (key: string) => void;
}) {
  const [box, width] = useWidth(() => Math.min(900, window.innerWidth - 32));
  const months = monthsOf(`${view.today.slice(0, 8)}01`, view.until).filter(
    (month) => month.first >= view.today,
  );
  return (
    <Box ref={box} sx={{ flex: "1 1 600px", minWidth: 0 }}>
      {view.products.map((one, i) => (
        <Strip
          key={one.key}
          product={one}
          today={view.today}
          until={view.until}
          months={months}
          width={width}
          named={i === 0}
          chosen={one.key === chosen}
          onChoose={() => onChoose(one.key)}
        />
      ))}
    </Box>
  );
}

function Panel({ product: p }: { product: Product }) {
  const kept = useKept();
  const { noted } = useUndo();
  const { send, sending, fault, fields } = useSend();
  const act = async (what: () => Promise<Schemas["Entry"]>) => {
    const entry = await send(what);
    if (entry) noted(entry);
  };
  const lines = [
    p.year,
    p.times,
    p.window,
    p.gap && `${p.gap} before that`,
    p.keeps,
    p.plants.words,
    p.bought,
    p.held,
  ].filter(Boolean);
  const wrong = [fault, ...Object.values(fields)].filter(Boolean).join(" ");
  return (
    <Box
      component="section"
      aria-label={p.name}
      sx={{ borderLeft: { lg: "1px solid var(--rule)" }, pl: { lg: 2 } }}
    >
      <Box component="h2" sx={{ m: 0, fontFamily: "var(--heading, inherit)", fontSize: 20 }}>
        {p.name}
      </Box>
      <Box sx={{ fontSize: 17 }}>
        <b>{p.amount}</b>
        {p.jars > 1 && ` in ${p.jars} jars`}
      </Box>
      <Box sx={{ fontWeight: 700 }}>{p.out}</Box>
      <Box component="ul" sx={{ m: 0, mt: 1, pl: 2.2 }}>
        {lines.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </Box>
      {p.stale && (
        <Box sx={{ color: "var(--clay)", fontWeight: 700, mt: 1 }}>
          Some of it is past its time before it is used up.
        </Box>
      )}
      {p.need && <Box sx={{ mt: 1 }}>The plan of the season goes by {p.need}.</Box>}
      {wrong && <Alert severity="error">{wrong}</Alert>}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", mt: 1 }}>
        {p.asNeed && (
          <Button
            variant="contained"
            disabled={sending}
            onClick={() =>
              void act(() =>
                answerOf(
                  api.PUT("/api/needs", {
                    params: { header: shownVersion(p.needVersion) },
                    body: { speciesId: p.speciesId, part: p.part, amount: p.asNeed },
                  }),
                ),
              )
            }
          >
            Plan for {p.asNeed}
          </Button>
        )}
        {p.plants.more > 0 && (
          <Button
            variant="outlined"
            component={Link}
            to={kept(`/bench/ways?species=${p.speciesId}&plants=${p.plants.more}`)}
          >
            Make {p.plants.more} more of it
          </Button>
        )}
        {p.jarId > 0 && (
          <Button component={Link} to={kept(`/store?jar=${p.jarId}`)}>
            To its jar
          </Button>
        )}
      </Box>
    </Box>
  );
}
