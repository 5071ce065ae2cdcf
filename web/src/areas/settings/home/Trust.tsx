import { Box, Typography } from "@mui/material";

import type { Schemas } from "../../../api/client";
import { fullDay } from "../../../parts/dates";

/** Trust is the authority's fingerprint, where the plot is reached, and how a device is told to trust it. */
export function Trust({ sharing }: { sharing: Schemas["SharingView"] }) {
  return (
    <Box component="section" aria-label="Trust">
      <Typography variant="h2">What a device trusts</Typography>
      <p>
        The plot vouches for itself by an authority of its own, made at the first start. It can vouch for
        addresses inside a house, and for nothing else. A device takes it in once; its pairing page tells how.
        Compare the fingerprint that the device shows with this one:
      </p>
      <Box
        component="code"
        aria-label="Fingerprint"
        sx={{
          display: "block",
          background: "var(--card)",
          border: "1px solid var(--rule)",
          p: 1.2,
          fontSize: 14.5,
          lineHeight: 1.7,
          overflowWrap: "anywhere",
        }}
      >
        {sharing.fingerprint.split(":").map((pair, i) => (
          <span key={`${i} ${pair}`}>
            {i > 0 && (i % 8 === 0 ? " " : ":")}
            {pair}
            {i % 8 === 7 && <wbr />}
          </span>
        ))}
      </Box>
      <Box sx={{ color: "text.secondary", fontSize: 14.5, mt: 0.8 }}>
        SHA-256 of its certificate. It runs out on {fullDay(sharing.until)}. Its key lies in the data folder:
        lost with it, a new one is made, and every device trusts that anew.
      </Box>
      <Typography variant="h3" sx={{ mt: 2, fontSize: 17 }}>
        Where the plot is reached in the house
      </Typography>
      {sharing.addresses.map((address) => (
        <Box key={address} sx={{ overflowWrap: "anywhere" }}>
          {address}
        </Box>
      ))}
      {sharing.addresses.length === 0 && (
        <Box>This machine has no address in a house&rsquo;s network now: no device reaches it.</Box>
      )}
    </Box>
  );
}
