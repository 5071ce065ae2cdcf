import { Box, Button } from "@mui/material";
import { useRef, useState } from "react";

import { plotShown, type Problem } from "../api/client";

interface Props {
  photos: string[];
  onChange: (photos: string[]) => void;
  fault?: string;
}

/** whyNot is what the plot says of a photograph that it did not keep. */
async function whyNot(reply: Response | undefined): Promise<string> {
  try {
    const problem = (await reply?.json()) as Problem | undefined;
    return problem?.errors?.[0]?.message ?? problem?.detail ?? "The plot cannot be reached just now.";
  } catch {
    return "The plot cannot be reached just now.";
  }
}

/** Photographs adds pictures to a look: they are kept at once, and belong to it when it is noted. */
export function Photographs({ photos, onChange, fault }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [trouble, setTrouble] = useState("");
  const [busy, setBusy] = useState(false);
  const add = async (files: FileList | null) => {
    setTrouble("");
    setBusy(true);
    const kept = [...photos];
    for (const file of files ?? []) {
      const reply = await fetch("/api/photographs", {
        method: "POST",
        headers: { "Content-Type": "application/octet-stream", "Acre-Plot": plotShown() },
        body: file,
      }).catch(() => undefined);
      if (!reply?.ok) {
        setTrouble(`${file.name} was not kept. ${await whyNot(reply)}`);
        continue;
      }
      const { id } = (await reply.json()) as { id: string };
      if (!kept.includes(id)) kept.push(id);
    }
    setBusy(false);
    onChange(kept);
  };
  return (
    <Box sx={{ mt: 1.5 }}>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center" }}>
        <Button variant="outlined" disabled={busy} onClick={() => input.current?.click()}>
          Add photographs
        </Button>
        <input
          ref={input}
          type="file"
          accept="image/jpeg,image/png,image/webp"
          multiple
          hidden
          aria-label="Photographs"
          onChange={(event) => void add(event.target.files)}
        />
        {photos.map((id) => (
          <img
            key={id}
            src={`/api/photographs/${id}/small`}
            alt="Photograph of this look"
            width={72}
            height={54}
            style={{ objectFit: "cover" }}
          />
        ))}
      </Box>
      {(trouble || fault) && (
        <Box role="alert" sx={{ color: "var(--forbid)", fontSize: 14 }}>
          {trouble || fault}
        </Box>
      )}
    </Box>
  );
}
