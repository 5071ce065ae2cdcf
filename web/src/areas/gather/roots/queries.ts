import { keepPreviousData, useQuery } from "@tanstack/react-query";

import { answerOf, api } from "../../../api/client";

export const useRoots = () =>
  useQuery({ queryKey: ["roots"], queryFn: () => answerOf(api.GET("/api/roots")) });

/** What is tried of a stand; what is left out is as it stands. */
export interface RootAsk {
  school?: string;
  survival?: number;
  offspring?: number;
  crowns?: number;
  take?: number;
}

export const useRoot = (species: string, bed: number, ask: RootAsk) =>
  useQuery({
    queryKey: ["root", species, bed, ask],
    queryFn: () =>
      answerOf(api.GET("/api/roots/{species}/{bed}", { params: { path: { species, bed }, query: ask } })),
    enabled: species !== "",
    placeholderData: keepPreviousData,
    retry: false,
  });
