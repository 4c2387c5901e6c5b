import { expect, test } from "@playwright/test";
import { choose, openDesk } from "../desk.ts";
import { type House, startHouse } from "../harness.ts";

let house: House;
test.beforeAll(async () => {
  house = await startHouse();
});
test.afterAll(() => house.stop());

test("the season's buying is planned, ordered and received; then it is in stock, and can be taken back", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  await desk.goto(`${house.url}/buying`);
  await expect(desk.getByRole("status")).toContainText(/^Order \d+ packs from \d suppliers today, for €\d+/);
  await expect(desk.getByText(/Shown to be the cheapest there is, with its other ways/)).toBeVisible();
  const late = desk.getByRole("region", { name: "Too late to order" });
  await expect(late).toContainText(/Thin card, large sheet: \d+ short for Sat 28 Nov, Boardwalk over the Bog/);
  await expect(late).toContainText("The quickest supplier had to be asked by Fri 20 Nov");
  await expect(desk.getByRole("region", { name: "To collect" })).toContainText(/Newsprint sheet: start asking (by|today)/);
  const ways = desk.getByRole("radiogroup", { name: "Ways to buy" });
  await ways.getByLabel(/^Next cheapest/).check();
  await expect(desk.getByText(/The cheapest is another; you chose this one/)).toBeVisible();
  await ways.getByLabel(/^The cheapest/).check();
  const washers = desk.getByRole("table", { name: "Order from Sluice Gate Hardware" }).getByRole("row", { name: /M10 washer/ });
  await expect(washers).toContainText("400 for Thu 3 Dec, Reed Raft Rescue");
  await desk.getByRole("button", { name: /^Order from all \d/ }).click();
  // The sentence never says that it is enough while the list below it says what is short.
  const short = await late.getByText(/ short$/).count();
  expect(short).toBeGreaterThan(1);
  await expect(desk.getByRole("status")).toHaveText(`Nothing more can be ordered in time: ${short} materials are short, as listed below.`);
  const orders = desk.getByRole("region", { name: "Orders" });
  await orders.getByRole("button", { name: "It has arrived: Sluice Gate Hardware, ordered Wed 25 Nov" }).click();
  await expect(orders.getByRole("row", { name: /^Sluice Gate Hardware ordered Wed 25 Nov/ })).toContainText("arrived Wed 25 Nov, in stock");
  await desk.getByRole("navigation", { name: "Main" }).getByRole("link", { name: "Store room" }).click();
  await expect(desk.getByRole("row", { name: /M10 washer 640/ })).toBeVisible();
  await desk.goto(`${house.url}/buying`);
  await orders.getByRole("button", { name: "it had not come: Sluice Gate Hardware, ordered Wed 25 Nov" }).click();
  await expect(orders.getByRole("button", { name: "It has arrived: Sluice Gate Hardware, ordered Wed 25 Nov" })).toBeVisible();
  const file = await desk.request.get(`${house.url}${await orders.getByRole("link", { name: "CSV" }).first().getAttribute("href")}`);
  expect(await file.text()).toMatch(/^material,packs,pack size,unit,price of a pack,together\r\n/);
});

test("a supplier is added with its packs, and the plan follows", async ({ browser }) => {
  const desk = await openDesk(browser, house);
  await desk.goto(`${house.url}/store`);
  await desk.getByRole("button", { name: "Add a supplier" }).click();
  const form = desk.getByRole("form", { name: "New supplier" });
  await form.getByLabel("Name").fill("Lantern Quay Lids");
  await form.getByLabel("Days from order to arrival").fill("1");
  await choose(form.getByLabel("Add a pack of"), "Bottle lid");
  await form.getByLabel("Bottle lid, a pack costs").fill("1.20");
  await form.getByRole("button", { name: "Save" }).click();
  await expect(desk.getByRole("region", { name: "Suppliers" })).toContainText("Bottle lid, 100 for €1.20");
  await desk.getByRole("link", { name: "What to buy from them" }).click();
  await expect(desk.getByRole("table", { name: "Order from Lantern Quay Lids" })).toContainText("Bottle lid");
  await expect(desk.getByRole("region", { name: "Too late to order" })).not.toContainText("Bottle lid");
});

test("an order is changed before it is placed, comes in part and dearer, and the rest later", async ({ browser }) => {
  const own = await startHouse();
  const desk = await openDesk(browser, own);
  await desk.goto(`${own.url}/buying`);
  await expect(desk.getByText(/Shown to be the cheapest there is, with its other ways/)).toBeVisible();
  const status = desk.getByRole("status");
  const sums = await status.first().textContent();
  const order = desk.getByRole("region", { name: "To order" });
  const washers = order.getByRole("row", { name: /M10 washer/ });
  await washers.getByRole("button", { name: "Leave M10 washer out" }).click();
  await expect(washers).toContainText("left out; 4 planned");
  await expect(order.getByText(/these go short: 400 M10 washer for Thu 3 Dec, Reed Raft Rescue/)).toBeVisible();
  await expect(status.first()).toContainText("as you changed it");
  await expect(desk.getByRole("list", { name: "M10 washer: who gets it" })).toContainText("lacks 400");
  await washers.getByRole("spinbutton", { name: "M10 washer, packs to order" }).fill("5");
  await expect(order.getByText("every crate still gets what it was to get")).toBeVisible();
  await expect(washers).toContainText("100 left over");
  await order.getByRole("button", { name: "all as planned" }).click();
  await expect(status.first()).toHaveText(sums ?? "");
  await washers.getByRole("spinbutton", { name: "M10 washer, packs to order" }).fill("5");
  await order.getByRole("button", { name: /^Order from all \d/ }).click();
  const orders = desk.getByRole("region", { name: "Orders" });
  const hardware = orders.getByRole("row", { name: /^Sluice Gate Hardware ordered Wed 25 Nov/ });
  await expect(hardware).toContainText("5 × 100 M10 washer");
  await hardware.getByRole("button", { name: /^came otherwise/ }).click();
  const form = desk.getByRole("form", { name: "What came from Sluice Gate Hardware" });
  await form.getByLabel("M10 washer, packs that came").fill("2");
  await form.getByLabel("M10 washer, a pack costs").fill("7");
  await form.getByLabel("Plan with these prices from now on").check();
  await expect(form.getByRole("radio", { name: "What is missing still comes" })).toBeChecked();
  // What is typed is still there after the form was closed and the page loaded anew.
  await desk.reload();
  await hardware.getByRole("button", { name: /^came otherwise/ }).click();
  await expect(form.getByLabel("M10 washer, packs that came")).toHaveValue("2");
  await form.getByRole("button", { name: "Book what came" }).click();
  await expect(hardware).toContainText("5 × 100 M10 washer (2 came)");
  await expect(hardware).toContainText("a part came, the rest is due");
  await hardware.getByRole("button", { name: /^The rest has arrived/ }).click();
  await expect(hardware).toContainText("in stock");
  await desk.goto(`${own.url}/store`);
  await expect(desk.getByRole("region", { name: "Suppliers" })).toContainText("M10 washer, 100 for €7.00");
  await own.stop();
});

test("one supplier whose least order can't be reached is named, and the rest of the plan stands; it may be made for the season as one", async ({
  browser,
}) => {
  const own = await startHouse();
  const desk = await openDesk(browser, own);
  await desk.goto(`${own.url}/store`);
  await desk.getByRole("button", { name: "Add a supplier" }).click();
  const form = desk.getByRole("form", { name: "New supplier" });
  await form.getByLabel("Name").fill("Far Light Lids");
  await form.getByLabel("Days from order to arrival").fill("1");
  await form.getByLabel("Least order").fill("90000");
  await choose(form.getByLabel("Add a pack of"), "Bottle lid");
  await form.getByLabel("Bottle lid, a pack costs").fill("1.20");
  await form.getByLabel("Bottle lid, most they have").fill("5");
  await form.getByRole("button", { name: "Save" }).click();
  await desk.goto(`${own.url}/buying`);
  await expect(desk.getByRole("status").first()).toContainText(/^Order \d+ packs from \d suppliers today/);
  await expect(desk.getByRole("region", { name: "Too late to order" })).toContainText(
    "Far Light Lids has it, but all that is wanted there doesn't come to their least order.",
  );
  // The season as one packs again what earlier crates leave over, and says so wherever it counts.
  const sure = desk.getByRole("region", { name: "How sure the season is" });
  await expect(sure).toContainText(/That none of them runs out of anything: \d+ %/);
  await sure.getByRole("radio", { name: /^Buy for the season as one/ }).click();
  await expect(sure).toContainText("sure that every crate can still be packed in full");
  await expect(desk.getByRole("list", { name: "Thin card, large sheet: who gets it" })).toContainText(/\d+ of it left over before/);
  await desk.reload();
  await expect(sure.getByRole("radio", { name: /^Buy for the season as one/ })).toBeChecked();
  await own.stop();
});
