import { Box, Button, Typography } from "@mui/material";

import { useKept } from "../api/outbox";

/** PutOut stands for every page on a device that the plot lets in no more. */
export function PutOut() {
  const waiting = useKept().length;
  return (
    <Box sx={{ maxWidth: 520, mx: "auto", p: 3 }}>
      <Typography variant="h1">This device was put out</Typography>
      <p>What the plot had told it is gone from here.</p>
      {waiting > 0 && (
        <p>
          {waiting === 1 ? "An entry that was not sent is" : `${waiting} entries that were not sent are`}{" "}
          still on this device. Pair it again, and they can be sent.
        </p>
      )}
      <Button variant="contained" href="/pair" sx={{ minHeight: 48 }}>
        Pair it again
      </Button>
    </Box>
  );
}
