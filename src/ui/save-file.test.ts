import { fetchFile, filesComing, forgetFile, nameOfFile } from "./save-file";

const saved: string[] = [];
let answer: () => Promise<Response>;
beforeEach(() => {
  saved.length = 0;
  filesComing.setState([], true);
  Object.assign(globalThis, {
    fetch: () => answer(),
    document: {
      createElement: () => {
        const link = { href: "", download: "", click: () => saved.push(link.download) };
        return link;
      },
    },
  });
  URL.createObjectURL = () => "blob:1";
  URL.revokeObjectURL = () => {};
  jest.useFakeTimers();
});
afterEach(() => jest.useRealTimers());
const file = (name: string) =>
  new Response("%PDF", { headers: { "content-disposition": `attachment; filename="${name}"` } });
const HREF = "/jobs/1/sheets/batch.pdf?paper=a4";
const troubles = () => filesComing.getState().map(({ trouble }) => trouble);

test("a file goes by the name that the server gave it, letters of any language too (RFC 6266)", () => {
  expect(nameOfFile(`attachment; filename="caf_.pdf"; filename*=UTF-8''caf%C3%A9.pdf`, HREF)).toBe(
    "café.pdf",
  );
  expect(nameOfFile('attachment; filename="batch.pdf"', HREF)).toBe("batch.pdf");
  expect(nameOfFile(null, HREF)).toBe("batch.pdf");
});
test("while it is made that is said; saved, nothing is said any more", async () => {
  let come: (response: Response) => void = () => {};
  answer = () => new Promise((resolve) => (come = resolve));
  const coming = fetchFile(HREF);
  expect(troubles()).toEqual([null]);
  // Pressed again, it is not asked for twice.
  await fetchFile(HREF);
  await Promise.resolve();
  come(file("batch.pdf"));
  await coming;
  expect([saved, troubles()]).toEqual([["batch.pdf"], []]);
});
test("what went wrong is said in words and can be asked for again", async () => {
  answer = () => Promise.resolve(new Response("There is no such job.", { status: 404 }));
  await fetchFile(HREF);
  answer = () => Promise.reject(new TypeError("no network"));
  expect(troubles()).toEqual(["There is no such job."]);
  await fetchFile(HREF);
  expect(troubles()).toEqual(["The server does not answer."]);
  answer = () => Promise.resolve(new Response("<html>", { status: 500 }));
  await fetchFile(HREF);
  expect(troubles()).toEqual(["The server could not make it."]);
  answer = () => Promise.resolve(file("batch.pdf"));
  filesComing.getState()[0]!.again();
  await jest.advanceTimersByTimeAsync(1);
  expect([saved, troubles()]).toEqual([["batch.pdf"], []]);
});
test("where what it would be made of is not saved, it is not asked for; left, it is not spoken of", async () => {
  answer = () => Promise.resolve(file("batch.pdf"));
  await fetchFile(HREF, () => Promise.resolve("Not saved yet."));
  expect([saved, troubles()]).toEqual([[], ["Not saved yet."]]);
  forgetFile(HREF);
  expect(troubles()).toEqual([]);
});
