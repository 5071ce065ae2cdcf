import { Box } from "@mui/material";

import type { Schemas } from "../api/client";

/** GroundNotices say which unsafe ground and which tree's ground a planting reaches. */
export function GroundNotices({ notices }: { notices: Schemas["GroundNotice"][] }) {
  return notices.map((notice) => (
    <Box
      key={notice.words}
      role="note"
      sx={{
        borderLeft: `5px solid var(${notice.forbids ? "--forbid" : "--clay"})`,
        color: notice.forbids ? "var(--forbid)" : "inherit",
        pl: 1.2,
        my: 1,
        fontSize: 14.5,
      }}
    >
      {notice.words}
      {notice.forbids && " It may grow, but nothing of it is for use."}
    </Box>
  ));
}
