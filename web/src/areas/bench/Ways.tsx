import { Alert, Box, Button, Slider, Typography } from "@mui/material";
import { useState } from "react";
import { useNavigate, useSearchParams } from "react-router";

import { answerOf, api, type Schemas } from "../../api/client";
import { useRefresh } from "../../api/queries";
import { Trouble } from "../../parts/Trouble";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { Head } from "./Head";
import { useWays } from "./queries";
import { WayDetail } from "./WayDetail";
import { WaysFan } from "./WaysFan";

/** Ways is every way to make more of a plant, side by side: a fan of them, and the chosen one in full. */
export function Ways() {
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const { noted } = useUndo();
  const { send, sending, fault } = useSend();
  const [chosen, setChosen] = useState("");
  const query = useWays({
    wish: Number(params.get("wish")) || 0,
    species: params.get("species") ?? "",
    plants: Number(params.get("plants")) || 6,
    by: params.get("by") ?? "",
    bed: Number(params.get("bed")) || 0,
  });
  const ways = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!ways) return <Box sx={{ minHeight: 600 }} />;
  const way = ways.ways.find((one) => one.key === chosen) ?? ways.ways[0];
  const plan = async () => {
    if (!way) return;
    const entry = await send(() =>
      answerOf(
        api.POST("/api/batches", {
          body: ways.wishId
            ? { wishId: ways.wishId, key: way.key }
            : {
                speciesId: ways.speciesId,
                plants: ways.plants,
                by: params.get("by") ?? undefined,
                bedId: Number(params.get("bed")) || undefined,
                key: way.key,
              },
        }),
      ),
    );
    if (!entry) return;
    noted(entry);
    void navigate(`/bench?batch=${entry.made}`);
  };
  return (
    <>
      <Head
        title={`Ways to ${ways.name}`}
        words={
          <>
            <i>{ways.botanical}</i> · {ways.words}
          </>
        }
      />
      {ways.cannot && (
        <Alert severity="warning" sx={{ mb: 1.5 }}>
          {ways.cannot}
        </Alert>
      )}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 400px" },
          columnGap: 3,
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          <Box sx={{ display: { xs: "none", md: "block" } }}>
            <WaysFan ways={ways} chosen={way?.key ?? ""} onChoose={setChosen} />
          </Box>
          <WayList ways={ways.ways} chosen={way?.key ?? ""} onChoose={setChosen} />
          <Box sx={{ fontSize: 13.5, color: "text.secondary", mt: 1 }}>{ways.assumes}</Box>
        </Box>
        <Box>
          <Weights weights={ways.weights} />
          {way ? (
            <WayDetail way={way} warnings={ways.warnings}>
              {fault && (
                <Alert severity="error" sx={{ my: 1 }}>
                  {fault}
                </Alert>
              )}
              <Button
                variant="contained"
                disabled={sending || !way.possible || !way.advised}
                onClick={() => void plan()}
                sx={{ mt: 1 }}
              >
                Plan this: {way.title.toLowerCase()}
              </Button>
            </WayDetail>
          ) : (
            <p>No way to make more of it is on record.</p>
          )}
        </Box>
      </Box>
    </>
  );
}

interface ListProps {
  ways: Schemas["WayView"][];
  chosen: string;
  onChoose: (key: string) => void;
}

/** WayList is the ways in order, each in a line that can be chosen by keyboard. */
function WayList({ ways, chosen, onChoose }: ListProps) {
  const columns = {
    display: "grid",
    gridTemplateColumns: {
      xs: "minmax(0, 1fr) auto",
      md: "minmax(0, 1.5fr) 76px minmax(0, 1.7fr) 84px 84px",
    },
    columnGap: 1.2,
  } as const;
  return (
    <Box component="section" aria-label="The ways in order">
      <Box
        aria-hidden
        sx={{ ...columns, display: { xs: "none", md: "grid" }, fontSize: 13, color: "text.secondary", px: 1 }}
      >
        <span>way</span>
        <span>chance</span>
        <span>ready</span>
        <span>money</span>
        <span>work</span>
      </Box>
      {ways.map((way) => (
        <Box
          key={way.key}
          component="button"
          aria-pressed={way.key === chosen}
          onClick={() => onChoose(way.key)}
          sx={{
            all: "unset",
            boxSizing: "border-box",
            width: "100%",
            cursor: "pointer",
            borderTop: "1px solid var(--rule)",
            borderLeft: `5px solid ${way.key === chosen ? "var(--bramble)" : "transparent"}`,
            background: way.key === chosen ? "var(--brambleWash)" : "transparent",
            color: way.possible && way.advised ? "var(--ink)" : "var(--softInk)",
            px: 1,
            py: 0.6,
            minHeight: { xs: 48, md: 34 },
            ...columns,
            fontSize: 14.5,
            lineHeight: 1.3,
            alignItems: "center",
            "&:focus-visible": { outline: "3px solid var(--focus)" },
          }}
        >
          <span>
            <b>{way.title}</b> <span style={{ whiteSpace: "nowrap" }}>{way.where}</span>
            {!way.advised && <span style={{ color: "var(--forbid)" }}> · not advised</span>}
          </span>
          <b>{way.possible ? way.chanceIs.replace("chance ", "") : "not now"}</b>
          <Box component="span" sx={{ gridColumn: { xs: "1 / -1", md: "auto" } }}>
            {way.ready?.text ?? (way.possible ? "when is not known" : way.lacks[0])}
          </Box>
          <span>{way.money.startsWith("price") ? "not told" : way.money}</span>
          <span>{way.hours}</span>
        </Box>
      ))}
    </Box>
  );
}

const sliders = [
  ["soon", "soon"],
  ["cheap", "cheap"],
  ["certain", "sure"],
  ["easy", "little work"],
] as const;

/** Weights are what counts to the grower: the ways are ordered by it. */
function Weights({ weights }: { weights: Schemas["WeightsView"] }) {
  const refresh = useRefresh();
  const { send } = useSend();
  const [moved, setMoved] = useState<Partial<Schemas["WeightsView"]>>({});
  const shown = { ...weights, ...moved };
  const put = async (next: Schemas["WeightsView"]) => {
    await send(() => answerOf(api.PUT("/api/bench/weights", { body: next })));
    await refresh();
    setMoved({});
  };
  return (
    <Box component="section" aria-label="What counts to you" sx={{ mb: 1.5 }}>
      <Typography variant="h3" component="h2">
        What counts to you
      </Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: "repeat(4, 1fr)", columnGap: 2.5, px: 1 }}>
        {sliders.map(([name, words]) => (
          <Box key={name}>
            <Slider
              size="small"
              min={0}
              max={1}
              step={0.25}
              value={shown[name]}
              aria-label={words}
              onChange={(_, value) => setMoved({ ...moved, [name]: Number(value) })}
              onChangeCommitted={(_, value) => void put({ ...shown, [name]: Number(value) })}
            />
            <Box
              sx={{ fontSize: 14, mt: -0.5, textAlign: "center", fontWeight: shown[name] > 0.6 ? 700 : 400 }}
            >
              {words}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
