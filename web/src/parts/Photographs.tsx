import { Box, Button } from "@mui/material";
import { useEffect, useRef, useState } from "react";

import { keepPhotograph, pictureOf } from "../api/photographs";

interface Props {
  photos: string[];
  onChange: (photos: string[]) => void;
  fault?: string;
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
      try {
        const id = await keepPhotograph(file);
        if (!kept.includes(id)) kept.push(id);
      } catch (reason) {
        setTrouble(`${file.name} was not kept. ${reason instanceof Error ? reason.message : ""}`);
      }
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
          <Picture key={id} id={id} />
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

/** Picture is a photograph in small, also one that waits on this device. */
function Picture({ id }: { id: string }) {
  const [from, setFrom] = useState<string>();
  useEffect(() => {
    let isGone = false;
    let made = "";
    void pictureOf(id).then((address) => {
      if (address.startsWith("blob:")) made = address;
      if (isGone) URL.revokeObjectURL(made);
      else setFrom(address);
    });
    return () => {
      isGone = true;
      URL.revokeObjectURL(made);
    };
  }, [id]);
  const size = { width: 72, height: 54 };
  return from ? (
    <img src={from} alt="Photograph of this look" {...size} style={{ objectFit: "cover" }} />
  ) : (
    <span style={{ display: "inline-block", ...size }} />
  );
}
