import { Box, Button, TextField } from "@mui/material";
import { useFieldArray, useFormContext } from "react-hook-form";

import type { Shape } from "../drawing/things";

interface Props {
  shape: Shape;
  eg: string;
  at: (field: string, help?: string) => { error: boolean; helperText: string | undefined };
  /** Said where its place may stay open. */
  open?: string;
}

/** FormFields are a thing's place and size as typed, by its shape. */
export function FormFields({ shape, eg, at, open }: Props) {
  const { register } = useFormContext();
  if (shape === "polygon" || shape === "line") return <Corners shape={shape} eg={eg} at={at} />;
  const across = shape === "round" || shape === "ring";
  return (
    <>
      <TextField
        label={across ? "Width across" : "Length"}
        placeholder={eg}
        {...register("width")}
        {...at("width")}
      />
      {shape === "rectangle" && (
        <TextField label="Breadth" placeholder={eg} {...register("depth")} {...at("depth")} />
      )}
      {shape === "ring" && (
        <TextField label="Its hole, across" placeholder={eg} {...register("inner")} {...at("inner")} />
      )}
      {shape === "round" && <span />}
      <TextField label="Middle, from the left edge" placeholder={eg} {...register("x")} {...at("x", open)} />
      <TextField label="Middle, from the upper edge" placeholder={eg} {...register("y")} {...at("y", open)} />
      {shape === "rectangle" && (
        <TextField label="Turned by (degrees)" type="number" {...register("turn")} {...at("turn")} />
      )}
    </>
  );
}

/** Corners are an outline or a line, corner by corner. */
function Corners({ shape, eg, at }: Props) {
  const { register, control } = useFormContext();
  const { fields, append, remove } = useFieldArray({ control, name: "points" });
  const fault = at("points");
  const name = shape === "line" ? "Point" : "Corner";
  return (
    <Box sx={{ gridColumn: "1 / -1" }}>
      {shape === "line" && (
        <TextField
          label="Breadth"
          placeholder={eg}
          {...register("width")}
          {...at("width")}
          sx={{ mb: 1.5 }}
        />
      )}
      <Box sx={{ color: "text.secondary", fontSize: 14, mb: 0.7 }}>
        From the plot’s upper left corner, to the right and down.
      </Box>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: "1fr 1fr auto",
          gap: 1,
          pt: 0.8,
        }}
      >
        {fields.map((field, i) => (
          <Box key={field.id} sx={{ display: "contents" }}>
            <TextField
              label={`${name} ${i + 1}, right`}
              {...register(`points.${i}.x`)}
              {...at(`points[${i}].x`)}
            />
            <TextField
              label={`${name} ${i + 1}, down`}
              {...register(`points.${i}.y`)}
              {...at(`points[${i}].y`)}
            />
            <Button
              color="inherit"
              onClick={() => remove(i)}
              aria-label={`Leave out ${name.toLowerCase()} ${i + 1}`}
            >
              ×
            </Button>
          </Box>
        ))}
      </Box>
      {fault.helperText && <Box sx={{ color: "error.main", fontSize: 14, mt: 0.5 }}>{fault.helperText}</Box>}
      <Button size="small" onClick={() => append({ x: "", y: "" })} sx={{ mt: 0.5 }}>
        Add a {name.toLowerCase()}
      </Button>
    </Box>
  );
}
