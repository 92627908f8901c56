import { countFindings, type HandOverDays, type PlanSummary } from '@usual-pantry/core/api';

/** The season in short as a helper sees it: what is to be done, without money and what is for the maker to decide. */
export const summaryForHelper = (plan: PlanSummary): PlanSummary => ({
  ...plan,
  findings: countFindings([]),
  toBuy: 0,
  shoppingCostMinor: 0,
  solved: null,
});

/** What is handed over as a helper sees it: without money and the places of customers. */
export const handOversForHelper = (days: HandOverDays): HandOverDays =>
  days.map(({ day, orders }) => ({
    day,
    orders: orders.map((each) => ({ ...each, place: '', dueMinor: 0, toDecide: false })),
  }));
