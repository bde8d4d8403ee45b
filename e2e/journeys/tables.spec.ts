import { expect, test } from "@playwright/test";
import { field, signIn } from "../fixtures/shop";

const csv = (text: string) => ({ name: "table.csv", mimeType: "text/csv", buffer: Buffer.from(text) });

test("a price list from a file: columns chosen, errors by their line, and nothing kept before it is said", async ({
  page,
}) => {
  await signIn(page);
  await page.goto("/shop/rates");
  const list = page.getByRole("region", { name: "Price list" });
  await list.getByRole("button", { name: "from a file" }).click();
  const dialog = page.getByRole("dialog", { name: "A price list from a file" });
  await dialog
    .getByLabel("A price list from a file, the file")
    .setInputFiles(
      csv(
        'Leistung;Einheit;Preis netto\n"Cut-out";pcs;"82,50"\nWaterfall edge;lf;"1.140,00"\nGlow;per night;12\nMirror gloss;;on request\n',
      ),
    );
  // Heads in another language: said which is which.
  await expect(dialog.getByText("Some column is missing yet.")).toBeVisible();
  await dialog.getByLabel("What for", { exact: true }).selectOption({ label: "Leistung: Cut-out" });
  await dialog.getByLabel("Price", { exact: true }).selectOption({ label: "Preis netto: 82,50" });
  await dialog.getByLabel("By", { exact: true }).selectOption({ label: "Einheit: pcs" });
  await expect(dialog.getByText("2 prices of 4 lines.")).toBeVisible();
  const wrong = dialog.getByRole("alert", { name: "What is wrong in the file" });
  await expect(wrong).toContainText("line 4: “per night” is no unit");
  await expect(wrong).toContainText("line 5: “on request” is no price of “Mirror gloss”.");
  await dialog.getByRole("button", { name: "Take them over" }).press("Enter");
  await expect(dialog).toHaveCount(0);
  await expect(field(page, "Each, row 5")).toHaveValue("82.5");
  const last = list.getByLabel(/^What for, row/).last();
  await expect(last).toHaveValue("Waterfall edge");
  await page.getByRole("button", { name: "back to what is kept" }).click();
  await expect(field(page, "Each, row 5")).toHaveValue("75");
});

test("a stock list from a file: what is on the shelf gets a lot, what is not is put there", async ({
  page,
}) => {
  await signIn(page);
  await page.goto("/shelf");
  await page.getByRole("button", { name: "from a file" }).click();
  const dialog = page.getByRole("dialog", { name: "A stock list from a file" });
  const name = `Masking film ${crypto.randomUUID().slice(0, 6)}`;
  await dialog
    .getByLabel("A stock list from a file, the file")
    .setInputFiles(
      csv(
        `item,type,qty,batch,bought,paid\n${name},tape,6,M-2,3/2/2026,$14.10\nMoon dust,,3,,,\n${name} B,tape,-1,,,\n`,
      ),
    );
  await expect(dialog.getByText("1 lot of 3 lines.")).toBeVisible();
  const wrong = dialog.getByRole("alert", { name: "What is wrong in the file" });
  await expect(wrong).toContainText("line 3: “Moon dust” is not on the shelf.");
  await expect(wrong).toContainText(`line 4: “-1” is no amount of “${name} B”.`);
  await dialog.getByRole("button", { name: "Take them over" }).click();
  await expect(dialog).toHaveCount(0);
  await page.getByRole("link", { name: new RegExp(name) }).click();
  const detail = page.getByRole("main");
  await expect(detail.getByText("M-2").first()).toBeVisible();
  await page.reload();
  await expect(detail.getByText("M-2").first()).toBeVisible();
});
