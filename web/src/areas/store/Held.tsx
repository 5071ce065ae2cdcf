import { Alert, Box, Button, Typography } from "@mui/material";
import { Link } from "react-router";

import { answerOf, api, type Schemas } from "../../api/client";
import { Reckoning } from "../../parts/Reckoning";
import { useKept } from "../../parts/shownDay";
import { Trouble } from "../../parts/Trouble";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { Head } from "./Head";
import { useRecalls } from "./queries";

/** Held is all that is held back: why, and every jar, lot and gift down the line, with what to do. */
export function Held() {
  const { data: view, error } = useRecalls();
  if (error) return <Trouble reason={error} />;
  if (!view) return <Reckoning />;
  return (
    <>
      <Head
        title="Held back"
        words={
          view.recalls.length === 0
            ? "Nothing is held back. Where a plant turns out not to be what it was taken for, or its ground unsafe, everything that was made of it is named here."
            : undefined
        }
      />
      {view.recalls.map((recall) => (
        <Recall key={`${recall.kind}/${recall.title}`} recall={recall} />
      ))}
      {view.undone.length > 0 && (
        <>
          <Typography variant="h2" sx={{ mt: 3 }}>
            Free again
          </Typography>
          <Box component="ul" sx={{ pl: 2.5 }}>
            {view.undone.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </Box>
        </>
      )}
    </>
  );
}

function Recall({ recall }: { recall: Schemas["RecallView"] }) {
  const kept = useKept();
  const { noted } = useUndo();
  const { send, sending, fault } = useSend();
  const act = async (what: () => Promise<Schemas["Entry"]>) => {
    const entry = await send(what);
    if (entry) noted(entry);
  };
  const line = {
    display: "flex",
    gap: 1,
    alignItems: "center",
    flexWrap: "wrap",
    py: 0.3,
    borderTop: "1px dotted var(--rule)",
  } as const;
  return (
    <Box
      component="section"
      aria-label={recall.title}
      sx={{ borderLeft: "6px solid var(--forbid)", pl: 2, mb: 3, maxWidth: 900 }}
    >
      <Typography variant="h2">{recall.title}</Typography>
      <Box sx={{ mb: 1 }}>
        {recall.why}{" "}
        {recall.plantingId > 0 && <Link to={kept(`/plantings/${recall.plantingId}`)}>The planting</Link>}
      </Box>
      {fault && <Alert severity="error">{fault}</Alert>}
      <Box component="ol" sx={{ m: 0, mb: 1, pl: 2.5, fontWeight: 700 }}>
        {recall.toDo.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </Box>
      {recall.jars.map((jar) => (
        <Box key={jar.id} sx={line}>
          <Box sx={{ flex: 1, minWidth: 220 }}>{jar.words}</Box>
          <Button
            size="small"
            component={Link}
            to={kept(`/store?jar=${jar.id}`)}
            aria-label={`See the jar: ${jar.words}`}
          >
            See the jar
          </Button>
        </Box>
      ))}
      {recall.underWay.map((lot) => (
        <Box key={lot.id} sx={line}>
          <Box sx={{ flex: 1, minWidth: 220 }}>
            <Link to={kept(`/store/lots/${lot.id}`)}>{lot.words}</Link>
            {lot.new.map((words) => (
              <Box key={words} sx={{ color: "var(--forbid)" }}>
                {words}
              </Box>
            ))}
          </Box>
          {recall.kind === "caution" && (
            <Button
              size="small"
              variant="outlined"
              disabled={sending}
              aria-label={`Read, and labelled anew: ${lot.words}`}
              onClick={() =>
                void act(() =>
                  answerOf(api.POST("/api/store/lots/{id}/read", { params: { path: { id: lot.id } } })),
                )
              }
            >
              Read, and labelled anew
            </Button>
          )}
        </Box>
      ))}
      {recall.gifts.map((gift) => (
        <Box key={gift.id} sx={line}>
          <Box sx={{ flex: 1, minWidth: 220 }}>
            {gift.words} {gift.told && <b>· {gift.told}</b>}
          </Box>
          {!gift.told && (
            <Button
              size="small"
              variant="outlined"
              disabled={sending}
              aria-label={`${gift.whom} is told`}
              onClick={() =>
                void act(() =>
                  answerOf(api.POST("/api/store/gifts/{id}/told", { params: { path: { id: gift.id } } })),
                )
              }
            >
              {gift.whom} is told
            </Button>
          )}
        </Box>
      ))}
      {recall.used && <Box sx={{ ...line, color: "text.secondary" }}>{recall.used}</Box>}
      {recall.id > 0 && (
        <Button
          variant="outlined"
          sx={{ mt: 1 }}
          disabled={sending}
          onClick={() =>
            void act(() =>
              answerOf(api.POST("/api/store/recalls/{id}/undo", { params: { path: { id: recall.id } } })),
            )
          }
        >
          It was an error: free it all
        </Button>
      )}
    </Box>
  );
}
