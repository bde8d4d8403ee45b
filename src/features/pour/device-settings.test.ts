import { readDevice, USUAL_DEVICE } from "./device-settings";

test("nothing kept, and what cannot be read, is as usual", () => {
  for (const text of [null, "", "null", "{", "7", '{"sound":"roaring","gloves":"yes","doneKey":4}'])
    expect(readDevice(text)).toEqual(USUAL_DEVICE);
});
test("what was chosen comes back", () => {
  const chosen = { ...USUAL_DEVICE, sound: "off", gloves: true, awake: false, doneKey: "b" } as const;
  expect(readDevice(JSON.stringify(chosen))).toEqual(chosen);
});
