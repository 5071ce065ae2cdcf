import { useState } from "react";

/** useFirst holds the first value that came: what the page showed when a form was begun. */
export function useFirst<T>(value: T | undefined): T | undefined {
  const [first, setFirst] = useState(value);
  if (first === undefined && value !== undefined) setFirst(value);
  return first ?? value;
}
