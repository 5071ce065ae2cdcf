import { Box, Typography } from "@mui/material";
import { useState } from "react";

import { isAtHome } from "../../../api/device";
import { Trouble } from "../../../parts/Trouble";
import { Head } from "../Head";
import { useSharing } from "../queries";
import { Devices } from "./Devices";
import { Feed } from "./Feed";
import { Invite } from "./Invite";
import { Trust } from "./Trust";

/** AtHome is who may come in from the house's network: settled at the machine that serves the plot, and nowhere else. */
export function AtHome() {
  return (
    <>
      <Head title="At home" words="Phones and tablets of the household, in the house's own network" />
      {isAtHome() ? (
        <p>Who may come in is settled at the machine that serves the plot: open this page there.</p>
      ) : (
        <Shared />
      )}
    </>
  );
}

function Shared() {
  const [inviting, setInviting] = useState(false);
  const { data: sharing, error } = useSharing(inviting);
  if (error) return <Trouble reason={error} />;
  if (!sharing) return <Box sx={{ minHeight: 500 }} />;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) minmax(0, 1fr)" },
        columnGap: 5,
        rowGap: 3,
        maxWidth: 1080,
      }}
    >
      <Box>
        {sharing.shared ? (
          <Invite sharing={sharing} onWatch={setInviting} />
        ) : (
          <Box component="section" aria-label="Not shared">
            <Typography variant="h2">The plot is served to this machine alone</Typography>
            <p>
              To let the phones of the house in, stop the program and start it with <code>--share</code>:
            </p>
            <Box
              component="pre"
              sx={{ background: "var(--card)", border: "1px solid var(--rule)", p: 1.2, m: 0 }}
            >
              brambly-acre serve --data … --share
            </Box>
            <p>
              It then makes an authority of its own, answers over TLS, and lets in only devices that were
              paired here, one by one.
            </p>
          </Box>
        )}
        <Devices sharing={sharing} />
      </Box>
      <Box>
        {sharing.shared && <Trust sharing={sharing} />}
        <Feed sharing={sharing} />
      </Box>
    </Box>
  );
}
