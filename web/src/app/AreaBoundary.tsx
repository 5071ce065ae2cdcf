import { Button, Typography } from "@mui/material";
import { Component, type ReactNode } from "react";

interface Props {
  /** Where one is: another place begins anew. */
  at: string;
  children: ReactNode;
}

/** AreaBoundary keeps the cane when an area cannot be fetched or drawn, and says what to do. */
export class AreaBoundary extends Component<Props, { failedAt?: string }> {
  override state: { failedAt?: string } = {};

  static getDerivedStateFromError(): { failedAt?: string } {
    return { failedAt: "here" };
  }

  override componentDidUpdate(before: Props) {
    if (before.at !== this.props.at && this.state.failedAt) this.setState({ failedAt: undefined });
  }

  override render() {
    if (!this.state.failedAt) return this.props.children;
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
}
