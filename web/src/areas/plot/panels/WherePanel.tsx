import { Box, Button, Typography } from "@mui/material";

import { useWhere } from "../../../api/queries";
import { Trouble } from "../../../parts/Trouble";
import { PlantHere, SuitAnswer } from "./SuitAnswer";

interface Props {
  speciesId: string;
  onBed: (id: number) => void;
  onPlant: (bedId: number) => void;
  onClose: () => void;
}

/** WherePanel answers where a plant would go best, and whether it is for this household. */
export function WherePanel({ speciesId, onBed, onPlant, onClose }: Props) {
  const query = useWhere(speciesId);
  const where = query.data;
  if (query.error) return <Trouble reason={query.error} />;
  if (!where) return <Box sx={{ minHeight: 400 }} />;
  return (
    <>
      <Typography variant="h1" sx={{ fontSize: "1.6rem" }}>
        Where would {where.name} go best?
      </Typography>
      <Box sx={{ color: "text.secondary", fontStyle: "italic" }}>{where.botanical}</Box>
      {where.warnings.map((words) => (
        <Box key={words} sx={{ borderLeft: "5px solid var(--forbid)", pl: 1.2, my: 0.7, fontSize: 14.5 }}>
          {words}
        </Box>
      ))}
      {where.memory.map((words) => (
        <Box
          key={words}
          sx={{
            borderLeft: `5px solid ${words.startsWith("Failed") ? "var(--forbid)" : "var(--leaf)"}`,
            pl: 1.2,
            my: 0.7,
            fontSize: 14.5,
          }}
        >
          {words}
        </Box>
      ))}
      {where.beds.length === 0 && <p>No bed is laid out yet.</p>}
      {where.beds.map((suit, i) => (
        <SuitAnswer
          key={suit.bedId}
          suit={suit}
          title={suit.bed}
          startOpen={i === 0}
          act={
            <Box sx={{ display: "flex", gap: 1 }}>
              <PlantHere onPlant={() => onPlant(suit.bedId)} />
              <Button size="small" color="inherit" onClick={() => onBed(suit.bedId)}>
                To the bed
              </Button>
            </Box>
          }
        />
      ))}
      <Typography variant="h2" sx={{ mt: 2.5, mb: 0.5 }}>
        Is it for me?
      </Typography>
      {where.forMe.map((f) => (
        <Box key={f.question} sx={{ py: 0.5, borderBottom: "1px dotted var(--rule)", fontSize: 14.5 }}>
          <b>{f.question}</b> <span style={{ color: f.minds ? "var(--clay)" : undefined }}>{f.answer}</span>
        </Box>
      ))}
      <Box sx={{ fontSize: 13.5, color: "text.secondary", mt: 1 }}>
        These are usual cautions, not advice for a person: ask a doctor or pharmacist.
      </Box>
      <Button color="inherit" onClick={onClose} sx={{ mt: 1 }}>
        Back to the plot
      </Button>
    </>
  );
}
