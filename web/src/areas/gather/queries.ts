import { keepPreviousData, queryOptions, useQuery } from "@tanstack/react-query";

import { answerOf, api } from "../../api/client";

/** How often a planning that is under way is asked how far it has got. */
const pollMs = 350;

export const seasonPlanQuery = (on: string | undefined, against: number) =>
  queryOptions({
    queryKey: ["season plan", on, against],
    queryFn: () => answerOf(api.GET("/api/season-plan", { params: { query: { on, against } } })),
  });

/** useSeasonPlan is the plan of a season: asked for again until it is made. */
export const useSeasonPlan = (on: string | undefined, against: number) =>
  useQuery({
    ...seasonPlanQuery(on, against),
    placeholderData: keepPreviousData,
    refetchInterval: ({ state }) =>
      state.data && (state.data.working || state.data.reckoning) ? pollMs : false,
  });

/** outQuery is what may be picked with one hand. */
export const outQuery = queryOptions({
  queryKey: ["out to pick"],
  queryFn: () => answerOf(api.GET("/api/out-to-pick")),
  staleTime: Infinity, // the walk's own order: what is noted meanwhile does not move it
});

export const useMakeDo = () =>
  useQuery({ queryKey: ["make do"], queryFn: () => answerOf(api.GET("/api/make-do")) });

export const useCustomDays = (wanted: boolean) =>
  useQuery({
    queryKey: ["custom days"],
    queryFn: () => answerOf(api.GET("/api/custom-days")),
    enabled: wanted,
  });
