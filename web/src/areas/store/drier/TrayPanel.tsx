import { Alert, Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";

import { answerOf, api, type Schemas } from "../../../api/client";
import { FormDialog, whole } from "../../../parts/FormDialog";
import { useKept } from "../../../parts/shownDay";
import { useSend } from "../../../parts/useSend";
import { WhyDialog } from "../WhyDialog";

interface Props {
  number: number;
  lot: Schemas["DryingView"];
  free: number[];
}

/** TrayPanel is one tray: weigh it, part it, take it out once the test in the hand says that it is dry. */
export function TrayPanel({ number, lot, free }: Props) {
  const kept = useKept();
  const { send, sending, fault } = useSend();
  const [open, setOpen] = useState<"weigh" | "finish" | "move" | "discard">();
  const [read, setRead] = useState<Schemas["ScaleView"]>();
  const id = lot.lotId;
  const readScale = async () => {
    const scale = await send(() =>
      answerOf(api.GET("/api/drier/lots/{id}/scale", { params: { path: { id } } })),
    );
    if (!scale) return;
    setRead(scale);
    setOpen("weigh");
  };
  const close = () => {
    setOpen(undefined);
    setRead(undefined);
  };
  return (
    <Box
      component="section"
      aria-label={`Tray ${number}`}
      sx={{ borderLeft: { lg: "1px solid var(--rule)" }, pl: { lg: 2 } }}
    >
      <Typography variant="h2">{lot.name}</Typography>
      <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>
        Tray {number} · {lot.since} · <Link to={kept(`/store/lots/${id}`)}>lot {lot.label}</Link>
      </Box>
      {lot.held && <Box sx={{ color: "var(--forbid)", fontWeight: 700 }}>{lot.held}</Box>}
      <Box sx={{ fontSize: 17, mt: 0.5 }}>
        <b>{lot.late < 0 ? "It should be dry by now" : `Dry ${lot.finish}`}</b>
      </Box>
      <Box sx={{ fontSize: 14.5, color: "text.secondary" }}>
        8 in 10, by {lot.standing === "measured" ? "what you weighed" : "a guess: weigh it, and it narrows"}
      </Box>
      <Box sx={{ mt: 1 }}>
        {lot.fresh} laid in, now about {lot.weighs}
        {lot.expected && `, about ${lot.expected} when it is dry`}
      </Box>
      {lot.lags && <Box sx={{ color: "var(--clay)", fontWeight: 700 }}>{lot.lags}</Box>}
      {lot.tooWarm && <Box sx={{ color: "var(--clay)", fontWeight: 700 }}>{lot.tooWarm}</Box>}
      <Box sx={{ mt: 1 }}>
        <b>In the hand:</b> {lot.test}
      </Box>
      {fault && <Alert severity="error">{fault}</Alert>}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", my: 1 }}>
        <Button variant={lot.dry ? "contained" : "outlined"} onClick={() => setOpen("finish")}>
          Take it out, dry
        </Button>
        <Button variant={lot.dry ? "outlined" : "contained"} onClick={() => setOpen("weigh")}>
          Weigh it
        </Button>
      </Box>
      <Box sx={{ display: "flex", gap: 0.5, flexWrap: "wrap", ml: -1 }}>
        <Button size="small" disabled={sending} onClick={() => void readScale()}>
          Read the simulated scale
        </Button>
        <Button size="small" disabled={free.length === 0} onClick={() => setOpen("move")}>
          Move it, or a part
        </Button>
        <Button size="small" color="error" onClick={() => setOpen("discard")}>
          Throw it out
        </Button>
      </Box>
      {lot.weighings.length > 0 && (
        <Box component="ul" aria-label="Weighings" sx={{ m: 0, mt: 1, pl: 2.2, fontSize: 14 }}>
          {lot.weighings.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </Box>
      )}
      {open === "weigh" && (
        <FormDialog
          title={`Weigh ${lot.name}`}
          act="Note it"
          values={{ amount: read?.amount ?? "", at: "" }}
          fields={[
            { name: "amount", label: "What it weighs", help: "Without the tray" },
            { name: "at", label: "When", help: "Empty: now. Else as 2031-05-27T14:30" },
          ]}
          onClose={close}
          send={(typed) =>
            answerOf(
              api.POST("/api/drier/lots/{id}/weighings", {
                params: { path: { id } },
                body: { amount: typed.amount ?? "", at: typed.at, simulated: read?.amount === typed.amount },
              }),
            )
          }
        >
          {read && (
            <Box>
              {read.source} reads {read.amount}.
            </Box>
          )}
        </FormDialog>
      )}
      {open === "finish" && (
        <FormDialog
          title={`Take ${lot.name} out, dry`}
          act="Take it out"
          values={{ amount: "", at: "", tested: "" }}
          fields={[
            {
              name: "amount",
              label: "What it weighs now",
              help: lot.expected ? `About ${lot.expected} is expected` : undefined,
            },
            { name: "at", label: "When", help: "Empty: now" },
            { name: "tested", label: `Tested in the hand: ${lot.test}`, kind: "tick", wide: true },
          ]}
          onClose={close}
          send={(typed, _version, affirmed) =>
            answerOf(
              api.POST("/api/drier/lots/{id}/finish", {
                params: { path: { id } },
                body: { amount: typed.amount ?? "", at: typed.at, tested: typed.tested === "yes", affirmed },
              }),
            )
          }
        />
      )}
      {open === "move" && (
        <FormDialog
          title={`Move ${lot.name}`}
          act="Move it"
          values={{ tray: String(free[0] ?? ""), percent: "" }}
          fields={[
            {
              name: "tray",
              label: "To tray",
              kind: "choice",
              options: free.map((one): [string, string] => [String(one), String(one)]),
            },
            {
              name: "percent",
              label: "How much of it, in %",
              help: "Empty: all. What dries late is moved apart",
            },
          ]}
          onClose={close}
          send={(typed) =>
            answerOf(
              api.POST("/api/drier/lots/{id}/move", {
                params: { path: { id } },
                body: { tray: whole(typed.tray), percent: whole(typed.percent) },
              }),
            )
          }
        />
      )}
      {open === "discard" && (
        <WhyDialog
          title={`Throw out ${lot.name}`}
          act="Throw it out"
          help="Mouldy, too long, dropped"
          send={(why) =>
            answerOf(api.POST("/api/store/lots/{id}/discard", { params: { path: { id } }, body: { why } }))
          }
          onClose={close}
        />
      )}
    </Box>
  );
}
