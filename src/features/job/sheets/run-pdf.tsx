import { Text, View } from "@react-pdf/renderer";
import { type RunStep } from "@/core/pour/run-sheet";
import { clockText, type ClockStyle } from "@/core/units/clock";
import { ink, plain, SheetPdf, type Paper } from "@/ui/pdf-page";

/** The run sheet on paper. */
export function RunPdf({
  title,
  steps,
  clock,
  paper,
}: {
  title: string;
  steps: readonly RunStep[];
  clock: ClockStyle;
  paper: Paper;
}) {
  return (
    <SheetPdf title={title} kind="run sheet" paper={paper}>
      {steps.map((step, index) => (
        <View key={step.id} wrap={false}>
          {step.coatId !== steps[index - 1]?.coatId ? <Text style={ink.section}>{step.coatName}</Text> : null}
          <View style={[ink.row, { alignItems: "flex-start" }]}>
            <View style={ink.box} />
            <Text style={{ width: 62, fontWeight: 600 }}>{clockText(step.atMin, clock)}</Text>
            <View style={{ flexGrow: 1, flexShrink: 1, flexBasis: 0 }}>
              <Text style={{ fontWeight: 700, fontSize: 12 }}>{plain(step.title)}</Text>
              <Text>{plain(step.detail)}</Text>
              {step.weigh.length > 0 ? (
                <Text>
                  {plain(
                    step.weigh
                      .map((line) => `${line.label} ${line.count ?? `${line.shown} g`}`)
                      .join("  ·  "),
                  )}
                </Text>
              ) : null}
              {step.caution ? <Text style={ink.caution}>{step.caution}</Text> : null}
              {step.stopHere ? <Text style={ink.small}>May stop here: {step.stopHere}.</Text> : null}
            </View>
          </View>
        </View>
      ))}
    </SheetPdf>
  );
}
