import { Box, Button } from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";

import { answerOf, api, type Schemas } from "../../api/client";
import { fullDay } from "../../parts/dates";
import { SelectField } from "../../parts/SelectField";
import { Sprig } from "../../parts/Sprig";
import { Trouble } from "../../parts/Trouble";
import { FormDialog, whole } from "../../parts/FormDialog";
import { Head } from "./Head";
import { useFamily } from "./queries";

const indent = 46;

/** Family is a kind's mothers and offspring as a cane that branches, with how each did. */
export function Family() {
  const [species, setSpecies] = useState("");
  const [telling, setTelling] = useState<Schemas["Relative"]>();
  const query = useFamily(species);
  const family = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!family) return <Box sx={{ minHeight: 600 }} />;
  return (
    <>
      <Head title="Family" words={family.words} />
      {family.kinds.length === 0 && (
        <p>Nothing stands here yet. What is planted out of the bench remembers what it came from.</p>
      )}
      {family.kinds.length > 0 && (
        <Box sx={{ maxWidth: 330, mb: 2 }}>
          <SelectField
            label="Which kind"
            value={family.speciesId}
            onChange={setSpecies}
            options={family.kinds.map((kind) => [kind.speciesId, kind.name] as const)}
          />
        </Box>
      )}
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }} aria-label={`The family of ${family.name}`}>
        {family.members.map((member, i) => (
          <Member
            key={member.id}
            member={member}
            species={family.speciesId}
            next={family.members.slice(i + 1)}
            onTell={() => setTelling(member)}
          />
        ))}
      </Box>
      {telling && <TellDialog of={telling} members={family.members} onClose={() => setTelling(undefined)} />}
    </>
  );
}

interface TellProps {
  of: Schemas["Relative"];
  members: Schemas["Relative"][];
  onClose: () => void;
}

/** TellDialog says what a planting came from that was not raised on the bench. */
function TellDialog({ of, members, onClose }: TellProps) {
  const choices = (kind: string) => [
    ["0", "not known"] as const,
    ...members
      .filter((one) => one.kind === kind && one.id !== of.id)
      .map((one) => [String(one.row), `${one.title}, ${fullDay(one.on)}`] as const),
  ];
  return (
    <FormDialog
      title={`What ${of.title} came from`}
      act="Note it"
      values={{ motherId: "0", lotId: "0" }}
      fields={[
        { name: "motherId", label: "Its mother", kind: "choice", options: choices("planting") },
        { name: "lotId", label: "Its seed", kind: "choice", options: choices("lot") },
      ]}
      onClose={onClose}
      send={(typed) =>
        answerOf(
          api.POST("/api/plantings/{id}/lineage", {
            params: { path: { id: of.row } },
            body: { motherId: whole(typed.motherId) || undefined, lotId: whole(typed.lotId) || undefined },
          }),
        )
      }
    />
  );
}

const toOf = (member: Schemas["Relative"]) =>
  member.kind === "planting"
    ? `/plantings/${member.row}`
    : member.kind === "lot"
      ? "/bench/seeds"
      : `/bench?batch=${member.row}`;

interface Props {
  member: Schemas["Relative"];
  species: string;
  next: Schemas["Relative"][];
  onTell: () => void;
}

function Member({ member, species, next, onTell }: Props) {
  return (
    <Box component="li" sx={{ display: "flex", alignItems: "stretch", minHeight: 58 }}>
      <Cane depth={member.depth} next={next} />
      <Box sx={{ flex: "none", alignSelf: "center" }}>
        {member.kind === "planting" ? (
          <Sprig stage={member.stands ? "full leaf" : "dying back"} species={species} size={40} label="" />
        ) : (
          <Token kind={member.kind} />
        )}
      </Box>
      <Box sx={{ alignSelf: "center", pl: 1.2, minWidth: 0 }}>
        <Link to={toOf(member)}>{member.title}</Link> · {member.how}, {fullDay(member.on)}
        <Box sx={{ fontSize: 14.5, color: "text.secondary" }}>
          {member.did}
          {!member.stands && member.kind !== "planting" && " · over"}
        </Box>
      </Box>
      {member.kind === "planting" && !member.from && (
        <Button
          size="small"
          onClick={onTell}
          aria-label={`Say what ${member.title} came from`}
          sx={{ alignSelf: "center", ml: 1 }}
        >
          Came from?
        </Button>
      )}
    </Box>
  );
}

/** Cane is the stretch of cane beside a member: the stems that pass it, and the side shoot that bears it. */
function Cane({ depth, next }: { depth: number; next: Schemas["Relative"][] }) {
  const goesOn = (level: number) => {
    for (const one of next) {
      if (one.depth === level) return true;
      if (one.depth < level) return false;
    }
    return false;
  };
  const width = 22 + depth * indent;
  return (
    <Box aria-hidden sx={{ flex: "none", width, position: "relative" }}>
      <svg
        width={width}
        height="100%"
        viewBox={`0 0 ${width} 60`}
        preserveAspectRatio="none"
        style={{ display: "block", minHeight: 58 }}
      >
        {Array.from({ length: depth + 1 }, (_, level) => {
          const x = 8 + level * indent;
          if (level === depth)
            return (
              <g key={level} stroke="var(--bramble)" strokeWidth={3} fill="none">
                {depth > 0 && <path d={`M${x - indent} 0 V12 Q${x - indent} 30 ${x + 12} 30`} />}
                {depth === 0 && <path d={`M${x} 30 h12`} />}
                {goesOn(level + 1) && next[0]?.depth === level + 1 && <path d={`M${x} 30 V60`} />}
                {depth > 0 && goesOn(level) && <path d={`M${x - indent} 0 V60`} />}
              </g>
            );
          return level > 0 && level < depth && goesOn(level) ? (
            <path key={level} d={`M${x - indent} 0 V60`} stroke="var(--bramble)" strokeWidth={3} />
          ) : null;
        })}
      </svg>
    </Box>
  );
}

/** Token is a seed lot's packet, or a batch's tray. */
function Token({ kind }: { kind: string }) {
  return (
    <svg width={40} height={40} viewBox="0 0 40 40" role="img" aria-label={kind === "lot" ? "seed" : "batch"}>
      {kind === "lot" ? (
        <path
          d="M11 8 H29 V33 H11Z M11 14 H29 M17 23 a1.6 2.4 0 1 0 .1 0 M24 26 a1.6 2.4 0 1 0 .1 0"
          fill="var(--card)"
          stroke="var(--ink)"
          strokeWidth={1.8}
        />
      ) : (
        <path
          d="M5 22 H35 V32 H5Z M12 22 V32 M20 22 V32 M28 22 V32 M9 22 v-5 M16 22 v-7 M24 22 v-6 M31 22 v-5"
          fill="var(--card)"
          stroke="var(--ink)"
          strokeWidth={1.8}
        />
      )}
    </svg>
  );
}
