import { useState } from "react";

import { Refusal } from "../api/client";

/** useSend sends an entry once at a time and holds what was wrong with it, by field. */
export function useSend() {
  const [sending, setSending] = useState(false);
  const [fields, setFields] = useState<Record<string, string>>({});
  const [fault, setFault] = useState("");
  /** send runs a change; it returns its answer, or undefined where it was refused. */
  const send = async <T>(change: () => Promise<T>): Promise<T | undefined> => {
    setSending(true);
    setFields({});
    setFault("");
    try {
      return await change();
    } catch (reason) {
      if (reason instanceof Refusal && Object.keys(reason.fields).length > 0) setFields(reason.fields);
      else setFault(reason instanceof Error ? reason.message : String(reason));
      return undefined;
    } finally {
      setSending(false);
    }
  };
  /** at gives a field its error's words. */
  const at = (field: string, help?: string) => ({
    error: field in fields,
    helperText: fields[field] ?? help,
  });
  return { send, sending, fields, fault, at };
}
