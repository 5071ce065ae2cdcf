import { Box, Button, Typography } from "@mui/material";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";

import { answerOf, api, type Schemas } from "../../api/client";
import { useSite } from "../../api/queries";
import { CameUpDialog } from "../../parts/CameUpDialog";
import { bedChoices } from "../../parts/choices";
import { FormDialog, whole } from "../../parts/FormDialog";
import { Sprig } from "../../parts/Sprig";
import { Trouble } from "../../parts/Trouble";
import { Reckoning } from "../../parts/Reckoning";
import { useShown } from "../../parts/useShown";
import { Head } from "./Head";
import { Law } from "./Law";
import { useCameUp } from "./queries";

type Group = Schemas["CameUpGroup"];
type Deed = Schemas["DeedView"];

/** CameUp is what came up by itself: what to do with each, with what speaks for it and against it. */
export function CameUp() {
  const [params, setParams] = useSearchParams();
  const [noting, setNoting] = useState(false);
  const [doing, setDoing] = useState<Deed>();
  const { data: view, error } = useCameUp();
  if (error) return <Trouble reason={error} />;
  if (!view) return <Reckoning />;
  const chosen = view.groups.find((group) => String(group.id) === params.get("group")) ?? view.groups[0];
  return (
    <>
      <Head title="What came up" words="Volunteers and weeds: unproven until one was cut and looked at.">
        <Button variant="contained" onClick={() => setNoting(true)}>
          Note what came up
        </Button>
      </Head>
      {view.groups.length === 0 && <p>Nothing is noted. Walk the beds, and note what nobody set there.</p>}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "330px minmax(0, 1fr)" },
          columnGap: 3.5,
          alignItems: "start",
        }}
      >
        <Box>
          <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }} aria-label="What came up">
            {view.groups.map((group) => (
              <li key={group.id}>
                <Row
                  group={group}
                  chosen={group === chosen}
                  onChoose={() => setParams({ group: String(group.id) }, { replace: true })}
                />
              </li>
            ))}
          </Box>
          {view.done.length > 0 && (
            <>
              <Typography variant="h3" sx={{ mt: 2 }}>
                Done
              </Typography>
              {view.done.map((one) => (
                <Box key={one.id} sx={{ fontSize: 14.5 }}>
                  {one.plantingId ? (
                    <Box
                      component={Link}
                      to={`/plantings/${one.plantingId}`}
                      sx={{ display: "inline-block" }}
                    >
                      {one.words}
                    </Box>
                  ) : (
                    one.words
                  )}
                </Box>
              ))}
            </>
          )}
        </Box>
        {chosen && (
          <Box sx={{ minWidth: 0, order: { xs: params.has("group") ? -1 : 0, md: 0 } }}>
            <Verdict group={chosen} onDo={setDoing} />
          </Box>
        )}
      </Box>
      {noting && <CameUpDialog onClose={() => setNoting(false)} />}
      {chosen && doing && (
        <DeedDialog group={chosen} deed={doing} beds={view.beds} onClose={() => setDoing(undefined)} />
      )}
    </>
  );
}

function Row({ group, chosen, onChoose }: { group: Group; chosen: boolean; onChoose: () => void }) {
  return (
    <Box
      component="button"
      type="button"
      aria-pressed={chosen}
      onClick={onChoose}
      sx={{
        display: "flex",
        gap: 1,
        width: "100%",
        textAlign: "left",
        font: "inherit",
        color: "inherit",
        border: 0,
        borderBottom: "1px solid var(--rule)",
        borderLeft: `5px solid ${chosen ? "var(--bramble)" : "transparent"}`,
        background: chosen ? "var(--card)" : "none",
        p: "6px 8px",
        cursor: "pointer",
      }}
    >
      <Sprig stage="shooting" species={group.speciesId} size={36} label="" />
      <Box sx={{ minWidth: 0 }}>
        <b>{group.name}</b>
        {group.checked !== "it is" && " (unproven)"}, about {group.plants}
        <Box sx={{ fontSize: 14.5, color: "text.secondary" }}>{group.where}</Box>
        <Box
          sx={{ fontSize: 14.5, fontWeight: 700, color: group.dangerous ? "var(--forbid)" : "var(--clay)" }}
        >
          {group.short}
        </Box>
      </Box>
    </Box>
  );
}

const deedOf = (group: Group) => group.deeds.find((deed) => deed.deed === group.best);

function Verdict({ group, onDo }: { group: Group; onDo: (deed: Deed) => void }) {
  const best = deedOf(group);
  const others = group.deeds.filter((deed) => deed !== best);
  const box = useShown<HTMLElement>(group.id);
  return (
    <Box ref={box} component="article" aria-label={group.name}>
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
        <Sprig stage="leafing" species={group.speciesId} size={64} label="" />
        <Box>
          <Typography variant="h2">
            <Box component={Link} to={`/plants/${group.speciesId}`} sx={{ color: "inherit" }}>
              {group.name}
            </Box>
            , {group.where}
          </Typography>
          <Box sx={{ color: "text.secondary" }}>
            About {group.plants}, {group.seen}; {group.state}. {group.seeding && "It has set seed. "}
            {group.note}
          </Box>
        </Box>
      </Box>
      <Box
        sx={{
          borderLeft: `5px solid var(${group.dangerous ? "--forbid" : "--leaf"})`,
          background: "var(--card)",
          p: "8px 14px",
          my: 1,
        }}
      >
        <Box sx={{ fontSize: 17, fontWeight: 700 }}>{group.words}</Box>
        {group.gloves && (
          <Box sx={{ color: "var(--forbid)" }}>Gloves: it is not touched with bare hands.</Box>
        )}
        <Box>
          <b>What is taken out:</b> {group.waste}
        </Box>
        {best && <Act group={group} deed={best} onDo={onDo} main />}
      </Box>
      {others.map((deed) => (
        <Box key={deed.deed} sx={{ borderTop: "1px solid var(--rule)", py: 0.7 }}>
          <Box sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap" }}>
            <Box sx={{ fontWeight: 700, flex: 1, textDecoration: deed.goes ? "none" : "line-through" }}>
              {deed.name}
            </Box>
            <Act group={group} deed={deed} onDo={onDo} />
          </Box>
          <Reasons deed={deed} />
        </Box>
      ))}
      {group.places.length > 0 && (
        <Box sx={{ mt: 1 }}>
          <b>Moved, it would be held in:</b>{" "}
          {group.places
            .slice(0, 4)
            .map((place) => `${place.bed} (${place.why})`)
            .join("; ")}
          .
        </Box>
      )}
      <Law law={group.law} speciesId={group.speciesId} name={group.name} />
    </Box>
  );
}

function Reasons({ deed }: { deed: Deed }) {
  return (
    <Box sx={{ fontSize: 14.5 }}>
      {deed.for.length > 0 && (
        <div>
          <Box component="span" sx={{ color: "var(--leaf)", fontWeight: 700 }}>
            For
          </Box>{" "}
          {deed.for.join("; ")}
        </div>
      )}
      {deed.not.length > 0 && (
        <div>
          <Box component="span" sx={{ color: "var(--clay)", fontWeight: 700 }}>
            Against
          </Box>{" "}
          {deed.not.join("; ")}
        </div>
      )}
    </Box>
  );
}

interface ActProps {
  group: Group;
  deed: Deed;
  onDo: (deed: Deed) => void;
  main?: boolean;
}

/** Act is the button of a deed: done here, or where it is done. */
function Act({ group, deed, onDo, main = false }: ActProps) {
  if (!deed.goes) return null;
  const variant = main ? "contained" : "outlined";
  if (deed.deed === "pot up")
    return (
      <Button variant={variant} component={Link} to="/bench/volunteers">
        {group.checked === "it is" ? "Lift them, on the bench" : "Look at one, on the bench"}
      </Button>
    );
  if (deed.after && deed.deed === "move")
    return (
      <Button variant={variant} component={Link} to="/bench/volunteers">
        Look at one first
      </Button>
    );
  return (
    <Button variant={variant} onClick={() => onDo(deed)}>
      {deed.deed === "eat" ? "Set it down to be proved" : "Done"}
    </Button>
  );
}

interface DeedProps {
  group: Group;
  deed: Deed;
  beds: Schemas["CameUpBed"][];
  onClose: () => void;
}

/** DeedDialog notes that a deed was done with some of a group. */
function DeedDialog({ group, deed, beds, onClose }: DeedProps) {
  const today = useSite().data?.today ?? "";
  const inBed = ["keep", "eat", "move"].includes(deed.deed);
  const place = deed.deed === "move" ? group.places[0]?.bedId : group.bedId;
  return (
    <FormDialog
      title={deed.deed === "eat" ? `${group.name}: to be proved, then eaten` : `${deed.name}: ${group.name}`}
      act="Note it"
      values={{ plants: String(group.plants), day: today, bedId: String(place ?? 0) }}
      fields={[
        { name: "plants", label: "How many", kind: "number" },
        { name: "day", label: "On", kind: "day" },
        {
          name: "bedId",
          label: deed.deed === "move" ? "Into" : "Stands in",
          kind: "choice",
          options: bedChoices(
            beds.map((bed) => (bed.held ? { ...bed, name: `${bed.name} (held)` } : bed)),
            "choose a bed",
          ),
          when: () => inBed,
          wide: true,
        },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/volunteers/{id}/deed", {
            params: { path: { id: group.id } },
            body: {
              deed: deed.deed as "keep",
              day: typed.day ?? "",
              plants: whole(typed.plants),
              bedId: inBed ? whole(typed.bedId) || undefined : undefined,
            },
          }),
        )
      }
    >
      {deed.deed === "eat" && (
        <Box>
          It becomes a planting that is to go: once it is proved, its window offers all of it, and what you
          pick counts in the stores. Until then it is for no use.
        </Box>
      )}
      {deed.deed !== "eat" && !inBed && <Box>{group.waste}</Box>}
    </FormDialog>
  );
}
