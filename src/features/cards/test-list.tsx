"use client";

import type { BenchTest } from "@/core/cure/resin-card";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { QuantityField } from "@/ui/quantity-field";
import { SelectField } from "@/ui/text-field";

const KINDS: Record<BenchTest["kind"], string> = {
  cup: "cup has gelled",
  string: "string snaps",
  gummy: "drips are gummy",
};

/** What was timed in the own shop: it refines the fit, and weighs more than the sheet. */
export function TestList({
  tests,
  system,
  faultAt,
  onTests,
}: {
  tests: readonly BenchTest[];
  system: UnitSystem;
  /** What is wrong in a field of a test. */
  faultAt: (field: string) => string | null;
  onTests: (tests: BenchTest[]) => void;
}) {
  const edit = (index: number, next: Partial<BenchTest>) =>
    onTests(tests.map((test, at) => (at === index ? { ...test, ...next } : test)));
  return (
    <div className="mt-5">
      <div className="flex items-baseline justify-between border-b border-line pb-1 mb-2">
        <h2 className="heading">Your own tests</h2>
        <Button
          weight="quiet"
          onClick={() => onTests([...tests, { kind: "gummy", minutes: 130, tempC: 23, massG: null }])}
        >
          add a test
        </Button>
      </div>
      {tests.length === 0 && (
        <p className="label">
          Time a cup until it gels, a film until a stick draws no string but it snaps, or drips until they
          hardly move: the beam then follows what you saw.
        </p>
      )}
      {tests.map((test, index) => (
        <div key={index} className="grid grid-cols-[1.2fr_1fr_1fr_1fr_auto] gap-3 mb-2">
          <SelectField
            label={`Test ${index + 1}`}
            value={test.kind}
            onChange={(event) => {
              const kind = event.target.value as BenchTest["kind"];
              edit(index, { kind, massG: kind === "cup" ? (test.massG ?? 150) : null });
            }}
          >
            {(Object.keys(KINDS) as BenchTest["kind"][]).map((kind) => (
              <option key={kind} value={kind}>
                {KINDS[kind]}
              </option>
            ))}
          </SelectField>
          <QuantityField
            label={`after, test ${index + 1}`}
            value={test.minutes}
            dimension="minutes"
            system={system}
            bounds={{ min: 0.5, max: 30_000 }}
            onChange={(minutes) => edit(index, { minutes })}
            fault={faultAt(`benchTests.${index}.minutes`)}
          />
          <QuantityField
            label={`at, test ${index + 1}`}
            value={test.tempC}
            dimension="temperature"
            system={system}
            bounds={{ min: 0, max: 60 }}
            onChange={(tempC) => edit(index, { tempC })}
          />
          {test.kind === "cup" ? (
            <QuantityField
              label={`in a cup of, test ${index + 1}`}
              value={test.massG}
              dimension="mass"
              system={system}
              bounds={{ min: 5, max: 50_000 }}
              onChange={(massG) => edit(index, { massG })}
              fault={faultAt(`benchTests.${index}.massG`)}
            />
          ) : (
            <span />
          )}
          <span className="pt-6">
            <Button weight="quiet" onClick={() => onTests(tests.filter((_, at) => at !== index))}>
              out
            </Button>
          </span>
        </div>
      ))}
    </div>
  );
}
