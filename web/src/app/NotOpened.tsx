import { Button, Typography } from "@mui/material";

/** NotOpened stands for a page that could not be fetched or drawn, and says what to do. */
export function NotOpened() {
  return (
    <>
      <Typography variant="h1">This page could not be opened</Typography>
      <p>
        Perhaps there is no network here just now. What you noted is kept. Go on with another area, or try
        again once the plot can be reached.
      </p>
      <Button variant="outlined" onClick={() => window.location.reload()}>
        Try again
      </Button>
    </>
  );
}
