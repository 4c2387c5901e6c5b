import AxeBuilder from "@axe-core/playwright";
import { expect, test } from "@playwright/test";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse({ demo: false, env: { LAMPCRATE_URL: "https://builds.example" } });
});
test.afterAll(() => house.stop());

test("an empty installation asks for the code that the server printed, then says what to fill in first", async ({ page }) => {
  await page.goto(house.url);
  await expect(page.getByRole("heading", { name: "Set up your house" })).toBeVisible();
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await expect(page.getByLabel("Address families reach it at")).toHaveValue("https://builds.example");
  await page.getByLabel("Set-up code").fill("0000-0000");
  await page.getByLabel("Name of the house").fill("Sedge House");
  await page.getByLabel("Time zone").fill("CET");
  await page.getByLabel("Your name").fill("Pat Planner");
  await page.getByLabel("Your sign-in name").fill("pat");
  await page.getByLabel("Password").fill("ten letters or more");
  await page.getByRole("button", { name: "Make the house" }).click();
  await expect(page.getByText("This is not the code that the server printed.").first()).toBeVisible();
  const code = /first visit: (\d{4}-\d{4})/.exec(house.printed())?.[1] ?? "";
  await page.getByLabel("Set-up code").fill(code);
  await page.getByRole("button", { name: "Make the house" }).click();
  await expect(page.getByRole("heading", { name: "House", exact: true })).toBeVisible();
  await page.getByRole("link", { name: "Season" }).click();
  await expect(page.getByText("Add your rooms with their length, width and height")).toBeVisible();
  await expect(page.getByText("Add the materials you have to the store room")).toBeVisible();
});

test("rooms, closed days and people are kept; what can't be is refused by its field", async ({ page }) => {
  await page.goto(`${house.url}/house`);
  await page.getByLabel("Sign-in name").fill("pat");
  await page.getByLabel("Password").fill("ten letters or more");
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.getByRole("button", { name: "Add a room" }).click();
  const room = page.getByRole("group", { name: "Room 1" });
  await room.getByLabel("Length").fill("30 ft");
  await room.getByLabel("Height").fill("3,1 m");
  await room.getByLabel("Seats").fill("32");
  await room.getByLabel("Name").fill("Bog Room");
  await page.getByLabel("Time zone").fill("Marsh/Bog");
  await page.getByRole("button", { name: "Save the house" }).click();
  await expect(page.getByRole("alert")).toContainText("must be a time zone such as CET or UTC");
  await page.getByLabel("Time zone").fill("CET");
  await page.getByRole("button", { name: "Save the house" }).click();
  await expect(page.getByRole("button", { name: "Save the house" })).toBeDisabled();
  await page.reload();
  const kept = page.getByRole("group", { name: "Bog Room" });
  await expect(kept.getByLabel("Length")).toHaveValue("9.144\u00a0m");
  await expect(kept.getByLabel("Height")).toHaveValue("3.1\u00a0m");
  await page.getByRole("button", { name: "Add a person" }).click();
  const person = page.getByRole("form", { name: "New person" });
  await person.getByLabel("Name", { exact: true }).fill("Sif Ter");
  await person.getByLabel("Sign-in name").fill("pat");
  await person.getByLabel(/^Password/).fill("short");
  await person.getByRole("button", { name: "Save" }).click();
  await expect(person.getByRole("alert")).toContainText("10 characters");
  await person.getByLabel(/^Password/).fill("a long enough one");
  await person.getByRole("button", { name: "Save" }).click();
  await expect(person.getByRole("alert")).toContainText("Somebody has this sign-in name already");
  await expect(person.getByLabel("Name", { exact: true })).toHaveValue("Sif Ter");
  await person.getByLabel("Sign-in name").fill("sif");
  await person.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("region", { name: "People" }).getByRole("row", { name: /Sif Ter/ })).toContainText("sifter");
});
