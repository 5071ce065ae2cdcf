import type { Schemas } from "../../api/client";
import { FormDialog } from "../../parts/FormDialog";

interface Props {
  title: string;
  act: string;
  help: string;
  send: (why: string) => Promise<Schemas["Entry"]>;
  onClose: () => void;
}

/** WhyDialog does something that wants a reason. */
export function WhyDialog({ title, act, help, send, onClose }: Props) {
  return (
    <FormDialog
      title={title}
      act={act}
      values={{ why: "" }}
      fields={[{ name: "why", label: "Why", help, kind: "long", wide: true }]}
      onClose={onClose}
      send={(typed) => send(typed.why ?? "")}
    />
  );
}
