import { USUAL_RATES, type Rates } from "@/core/money/rates";

/** What the made-up shop reckons with. */
export const DEMO_RATES: Rates = {
  ...USUAL_RATES,
  hourly: 5200,
  setUpMin: 50,
  overheadPct: 18,
  taxName: "sales tax",
  taxPct: 7.25,
};
