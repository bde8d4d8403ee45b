"use client";

import { useEffect, useState } from "react";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Choice } from "@/ui/choice";
import { Dialog } from "@/ui/dialog";
import { useDevice, type DeviceSettings } from "./device-settings";
import { canSpeak, canVibrate, ring, speak } from "./signals";

/** How a key is named on its cap. */
const keyWords = (key: string): string => (key === " " ? "space" : key);

/** How this device rings, speaks and is pressed. It is kept on it, for whoever uses it. */
export function DeviceDialog({ onClose }: { onClose: () => void }) {
  const { device, set } = useDevice();
  const [learning, setLearning] = useState<"doneKey" | "backKey" | null>(null);
  useEffect(() => {
    if (!learning) return;
    const learn = (event: KeyboardEvent) => {
      event.preventDefault();
      event.stopPropagation();
      // Escape leaves it as it was; Tab is the way through a page.
      if (event.key !== "Escape" && event.key !== "Tab") set({ [learning]: event.key });
      setLearning(null);
    };
    window.addEventListener("keydown", learn, { capture: true });
    return () => window.removeEventListener("keydown", learn, { capture: true });
  }, [learning, set]);
  const tick = (name: "speaks" | "vibrates" | "awake" | "gloves" | "touch", label: string) => (
    <Checkbox
      label={label}
      checked={device[name]}
      onChange={(on) => {
        set({ [name]: on });
        if (name === "speaks" && on) speak("Acts are said aloud");
      }}
    />
  );
  return (
    <Dialog open onClose={onClose} title="This screen">
      <div className="text-ink flex flex-col gap-4">
        <div className="flex items-center gap-4 flex-wrap">
          <span>Sound</span>
          <Choice<DeviceSettings["sound"]>
            label="Sound"
            value={device.sound}
            options={[
              { value: "off", words: "off" },
              { value: "on", words: "on" },
              { value: "loud", words: "loud" },
            ]}
            onChange={(sound) => {
              set({ sound });
              // Heard at once, as loud as it will be.
              if (sound !== "off") ring("due", sound);
            }}
          />
        </div>
        <p className="label">
          Rises when an act is due, falls when its window closes, one short tone for a weight taken.
        </p>
        {canSpeak() && tick("speaks", "Say each act aloud")}
        {canVibrate() && tick("vibrates", "Vibrate too")}
        {tick("awake", "Keep the screen awake")}
        {tick("gloves", "Wet gloves: everything at least 20 mm")}
        {tick("touch", "A touch anywhere says done")}
        <LearntKey
          words="Done"
          usual="space, enter, page down"
          learnt={device.doneKey}
          learning={learning === "doneKey"}
          onLearn={() => setLearning("doneKey")}
          onForget={() => set({ doneKey: null })}
        />
        <LearntKey
          words="Step back"
          usual="backspace, page up"
          learnt={device.backKey}
          learning={learning === "backKey"}
          onLearn={() => setLearning("backKey")}
          onForget={() => set({ backKey: null })}
        />
        <Button weight="primary" className="self-start" onClick={onClose}>
          Back to the pour
        </Button>
      </div>
    </Dialog>
  );
}

/** A key or foot switch beside the usual ones, learnt by pressing it. */
function LearntKey({
  words,
  usual,
  learnt,
  learning,
  onLearn,
  onForget,
}: {
  words: string;
  usual: string;
  learnt: string | null;
  learning: boolean;
  onLearn: () => void;
  onForget: () => void;
}) {
  return (
    <div className="border-t border-line pt-3">
      <p>
        {words}: {usual}
        {learnt !== null && (
          <>
            {" "}
            or <span className="font-semibold">{keyWords(learnt)}</span>
          </>
        )}
      </p>
      <div className="flex gap-5 mt-1 min-h-9 items-center">
        {learning ? (
          <p role="status">Press the key or the foot switch now. Escape leaves it.</p>
        ) : (
          <Button weight="quiet" onClick={onLearn}>
            Learn a key for {words.toLowerCase()}
          </Button>
        )}
        {learnt !== null && !learning && (
          <Button weight="quiet" onClick={onForget}>
            Forget it
          </Button>
        )}
      </div>
    </div>
  );
}
