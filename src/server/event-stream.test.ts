import { eventStream, type StreamMessage } from "./event-stream";

const request = (signal = new AbortController().signal) => new Request("http://localhost/", { signal });

test("messages come one after the other, with their numbers, after the word when to ask again", async () => {
  const response = eventStream(
    request(),
    async function* (): AsyncGenerator<StreamMessage> {
      yield { id: "7", data: { a: 1 } };
      yield { data: "two\nlines" };
    },
    250,
  );
  expect(response.headers.get("content-type")).toContain("text/event-stream");
  // As the standard has it (HTML, server-sent events): fields by line, an empty line ends a message.
  expect(await response.text()).toBe('retry: 250\n\nid: 7\ndata: {"a":1}\n\ndata: "two\\nlines"\n\n');
});
test.each(["the answer is not read any more", "the request is called off"])(
  "it ends when %s",
  async (how) => {
    const asked = new AbortController();
    let ended = false;
    const response = eventStream(
      request(asked.signal),
      async function* (ends): AsyncGenerator<StreamMessage> {
        try {
          while (!ends.aborted) {
            yield { data: "on" };
            await new Promise((resolve) => setTimeout(resolve, 5));
          }
        } finally {
          ended = true;
        }
      },
      250,
    );
    const reader = response.body!.getReader();
    await reader.read();
    if (how === "the request is called off") {
      asked.abort();
      while (!(await reader.read()).done);
    } else await reader.cancel();
    await new Promise((resolve) => setTimeout(resolve, 30));
    expect(ended).toBe(true);
  },
);
