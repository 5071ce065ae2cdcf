import { Component, type ReactNode } from "react";

interface Props {
  /** Where one is: another place begins anew. */
  at: string;
  /** What is shown instead. */
  instead: ReactNode;
  children: ReactNode;
}

/** Boundary keeps what surrounds it when a part of the page cannot be fetched or drawn. */
export class Boundary extends Component<Props, { failedAt?: string }> {
  override state: { failedAt?: string } = {};

  static getDerivedStateFromError(): { failedAt?: string } {
    return { failedAt: "here" };
  }

  override componentDidUpdate(before: Props) {
    if (before.at !== this.props.at && this.state.failedAt) this.setState({ failedAt: undefined });
  }

  override render() {
    return this.state.failedAt ? this.props.instead : this.props.children;
  }
}
