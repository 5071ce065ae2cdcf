import { useMutation } from "@tanstack/react-query";
import { useRef } from "react";

import { newKey, Refusal, underKey, type Asked } from "../api/client";
import { useRefresh } from "../api/queries";

const none: Asked[] = [];

/** useSend sends an entry once at a time and holds what was wrong with it, by field. */
export function useSend() {
  const refresh = useRefresh();
  // The same key until something was taken in: an answer that was lost on its way is asked for again.
  const key = useRef(newKey());
  const { mutateAsync, error, isPending, reset } = useMutation({
    mutationFn: (change: () => Promise<void>) => underKey(key.current, change),
    onSuccess: () => {
      key.current = newKey();
    },
    onError: async (reason) => {
      if (reason instanceof Refusal && reason.stale) await refresh(); // both readings are shown side by side
    },
  });
  /** send runs a change; it returns its answer, or undefined where it was refused. */
  const send = async <T>(change: () => Promise<T>): Promise<T | undefined> => {
    let answer: T | undefined;
    await mutateAsync(async () => {
      answer = await change();
    }).catch(() => undefined); // it is held in error
    return answer;
  };
  const refusal = error instanceof Refusal ? error : undefined;
  const stale = refusal?.stale ? refusal.message : "";
  const fields = refusal && !stale ? refusal.fields : {};
  const asked = refusal && !stale ? refusal.asked : none;
  const isByField = Object.keys(fields).length + asked.length > 0;
  /** at gives a field its error's words. */
  const at = (field: string, help?: string) => ({
    error: field in fields,
    helperText: fields[field] ?? help,
  });
  return {
    send,
    sending: isPending,
    fields,
    fault: error && !isByField ? error.message : "",
    asked,
    stale,
    /** settle is that what was changed meanwhile was looked at. */
    settle: reset,
    at,
  };
}
