import { Box, Button, Checkbox, FormControlLabel, Typography } from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";

import { answerOf, api, type Schemas } from "../../api/client";
import { usePlot } from "../../api/queries";
import { Sprig } from "../../parts/Sprig";
import { Trouble } from "../../parts/Trouble";
import { useUndo } from "../../parts/Undo";
import { useSend } from "../../parts/useSend";
import { bedChoices } from "../../parts/choices";
import { FormDialog, whole } from "../../parts/FormDialog";
import { Head } from "./Head";
import { useWanted } from "./queries";

/** Wanted is what is to be made more of: wishes, and what the plot itself suggests. */
export function Wanted() {
  const query = useWanted();
  const [wishing, setWishing] = useState(false);
  const wanted = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!wanted) return <Box sx={{ minHeight: 600 }} />;
  return (
    <>
      <Head title="Wanted" words="What is to be made more of. Each opens every way to it, side by side.">
        <Button variant="contained" onClick={() => setWishing(true)}>
          Wish for a plant
        </Button>
      </Head>
      {wanted.wishes.length === 0 && (
        <p>Nothing is wished for. Wish for a plant, or take up one of the suggestions.</p>
      )}
      {wanted.wishes.map((wish) => (
        <Wish key={wish.id} wish={wish} />
      ))}
      {wanted.suggested.length > 0 && (
        <Box component="section" aria-label="Suggested by the plot" sx={{ mt: 3 }}>
          <Typography variant="h2" sx={{ mb: 0.5 }}>
            Suggested by the plot
          </Typography>
          {wanted.suggested.map((one) => (
            <Suggestion key={one.key} suggestion={one} />
          ))}
        </Box>
      )}
      {wanted.selfSeeders.length > 0 && (
        <Box component="section" aria-label="Trusted, or sown again" sx={{ mt: 3, maxWidth: 760 }}>
          <Typography variant="h2" sx={{ mb: 0.5 }}>
            Trusted, or sown again
          </Typography>
          <Box sx={{ color: "text.secondary", fontSize: 14.5 }}>
            These do not live on by themselves. Some trust them to seed; some sow them each year to be
            certain.
          </Box>
          {wanted.selfSeeders.map((one) => (
            <SelfSeeder key={one.plantingId} of={one} />
          ))}
        </Box>
      )}
      {wishing && <WishDialog onClose={() => setWishing(false)} />}
    </>
  );
}

const row = {
  display: "grid",
  gridTemplateColumns: { xs: "44px minmax(0, 1fr)", md: "44px minmax(0, 1.2fr) minmax(0, 1.4fr) auto" },
  columnGap: 1.5,
  alignItems: "center",
  borderTop: "1px solid var(--rule)",
  py: 0.8,
} as const;

const acts = { display: "flex", gap: 1, gridColumn: { xs: "2", md: "auto" } } as const;

function Wish({ wish }: { wish: Schemas["WishView"] }) {
  const { noted } = useUndo();
  const { send, sending } = useSend();
  const end = async () => {
    const entry = await send(() =>
      answerOf(api.POST("/api/wishes/{id}/end", { params: { path: { id: wish.id } } })),
    );
    if (entry) noted(entry);
  };
  return (
    <Box component="article" aria-label={`${wish.name}, ${wish.words}`} sx={row}>
      <Sprig stage="leafing" species={wish.speciesId} size={42} label="" />
      <Box sx={{ minWidth: 0 }}>
        <Box component={Link} to={`/bench/ways?wish=${wish.id}`} sx={{ fontWeight: 700, fontSize: 17 }}>
          {wish.name}
        </Box>
        <Box>{wish.words}</Box>
      </Box>
      <Box sx={{ fontSize: 14.5, gridColumn: { xs: "2", md: "auto" } }}>
        <Box>{wish.state}</Box>
        <Box sx={{ color: "text.secondary" }}>
          {wish.causeIs}
          {wish.note && `. ${wish.note}`}
        </Box>
      </Box>
      <Box sx={acts}>
        {wish.batchId ? (
          <Button size="small" variant="outlined" component={Link} to={`/bench?batch=${wish.batchId}`}>
            On the bench
          </Button>
        ) : (
          <Button size="small" variant="contained" component={Link} to={`/bench/ways?wish=${wish.id}`}>
            Ways
          </Button>
        )}
        <Button
          size="small"
          disabled={sending}
          onClick={() => void end()}
          aria-label={`Off the list: ${wish.name}`}
        >
          Off the list
        </Button>
      </Box>
    </Box>
  );
}

function Suggestion({ suggestion: one }: { suggestion: Schemas["SuggestView"] }) {
  const { noted } = useUndo();
  const { send, sending, fault } = useSend();
  const take = async () => {
    const entry = await send(() =>
      answerOf(
        api.POST("/api/wishes", {
          body: {
            speciesId: one.speciesId,
            plants: one.plants,
            bedId: one.bedId || undefined,
            cause: one.cause,
            causeKey: one.key,
          },
        }),
      ),
    );
    if (entry) noted(entry);
  };
  return (
    <Box component="article" aria-label={`${one.name}, ${one.causeIs}`} sx={row}>
      <Sprig stage="shooting" species={one.speciesId} size={42} label="" />
      <Box>
        <Box
          component={Link}
          to={`/bench/ways?species=${one.speciesId}&plants=${one.plants}&bed=${one.bedId}`}
          sx={{ fontWeight: 700 }}
        >
          {one.name}
        </Box>
        <Box sx={{ fontSize: 14.5 }}>
          {one.plants} {one.plants === 1 ? "plant" : "plants"}
          {one.bed && ` in ${one.bed}`}
        </Box>
      </Box>
      <Box sx={{ fontSize: 14.5, gridColumn: { xs: "2", md: "auto" } }}>
        <Box sx={{ color: "var(--clay)" }}>{one.causeIs}</Box>
        <Box sx={{ color: "text.secondary" }}>{one.why}</Box>
        {fault && <Box sx={{ color: "var(--forbid)" }}>{fault}</Box>}
      </Box>
      <Box sx={acts}>
        <Button
          size="small"
          variant="outlined"
          disabled={sending}
          onClick={() => void take()}
          aria-label={`Wish for it: ${one.name}, ${one.causeIs}`}
        >
          Wish for it
        </Button>
      </Box>
    </Box>
  );
}

function SelfSeeder({ of }: { of: Schemas["SelfSeederView"] }) {
  const { noted } = useUndo();
  const { send, sending } = useSend();
  const insure = async (on: boolean) => {
    const entry = await send(() =>
      answerOf(
        api.PUT("/api/plantings/{id}/insurance", { params: { path: { id: of.plantingId } }, body: { on } }),
      ),
    );
    if (entry) noted(entry);
  };
  return (
    <Box sx={{ display: "flex", alignItems: "center", gap: 1.5, borderTop: "1px solid var(--rule)" }}>
      <Box sx={{ flex: 1 }}>
        <b>{of.name}</b>, {of.bed}. <span style={{ color: "var(--softInk)" }}>{of.words}</span>
      </Box>
      <FormControlLabel
        control={<Checkbox checked={of.insured} disabled={sending} onChange={(_, on) => void insure(on)} />}
        label={`Sow ${of.name} again each year`}
        sx={{ mr: 0 }}
      />
    </Box>
  );
}

/** WishDialog says what is to be made more of. */
export function WishDialog({ speciesId = "", onClose }: { speciesId?: string; onClose: () => void }) {
  const beds = usePlot().data?.beds ?? [];
  return (
    <FormDialog
      title="Wish for a plant"
      act="Put it on the list"
      values={{ speciesId, plants: "6", bedId: "0", by: "", note: "" }}
      fields={[
        { name: "speciesId", label: "Plant, by any name", kind: "plant", wide: true },
        { name: "plants", label: "How many plants", kind: "number" },
        {
          name: "bedId",
          label: "In which bed",
          kind: "choice",
          options: bedChoices(beds, "wherever it suits"),
        },
        { name: "by", label: "By when", kind: "day", help: "Empty for whenever" },
        { name: "note", label: "Note" },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/wishes", {
            body: {
              speciesId: typed.speciesId ?? "",
              plants: whole(typed.plants),
              bedId: whole(typed.bedId) || undefined,
              by: typed.by || undefined,
              note: typed.note,
            },
          }),
        )
      }
    />
  );
}
