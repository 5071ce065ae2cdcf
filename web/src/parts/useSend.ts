import { useRef, useState } from "react";

import { newKey, Refusal, underKey, type Asked } from "../api/client";
import { useRefresh } from "../api/queries";

/** useSend sends an entry once at a time and holds what was wrong with it, by field. */
export function useSend() {
  const [sending, setSending] = useState(false);
  const [fields, setFields] = useState<Record<string, string>>({});
  const [fault, setFault] = useState("");
  const [asked, setAsked] = useState<Asked[]>([]);
  const [stale, setStale] = useState("");
  const refresh = useRefresh();
  // The same key until something was taken in: an answer that was lost on its way is asked for again.
  const key = useRef(newKey());
  /** send runs a change; it returns its answer, or undefined where it was refused. */
  const send = async <T>(change: () => Promise<T>): Promise<T | undefined> => {
    setSending(true);
    setFields({});
    setFault("");
    setAsked([]);
    setStale("");
    try {
      const answer = await underKey(key.current, change);
      key.current = newKey();
      return answer;
    } catch (reason) {
      if (reason instanceof Refusal && reason.stale) {
        await refresh(); // both readings are shown side by side
        setStale(reason.message);
        setFault(reason.message);
      } else if (reason instanceof Refusal && Object.keys(reason.fields).length + reason.asked.length > 0) {
        setFields(reason.fields);
        setAsked(reason.asked);
      } else setFault(reason instanceof Error ? reason.message : String(reason));
      return undefined;
    } finally {
      setSending(false);
    }
  };
  /** settle is that what was changed meanwhile was looked at. */
  const settle = () => {
    setStale("");
    setFault("");
  };
  /** at gives a field its error's words. */
  const at = (field: string, help?: string) => ({
    error: field in fields,
    helperText: fields[field] ?? help,
  });
  return { send, sending, fields, fault, asked, stale, settle, at };
}
