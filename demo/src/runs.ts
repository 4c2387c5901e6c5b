import {
  type CountInput,
  type EntryInput,
  type GroupInput,
  type RunSettings,
  type SeriesDays,
  type SessionInput,
  settingsOf,
} from "@lampcrate/contract";
import type { RunKind } from "@lampcrate/core";
import { type DropIn, type HeadsModel, seedOf, wholeBelow } from "@lampcrate/core";
import {
  addHouseTrial,
  addSession,
  answerAsk,
  askFamily,
  createRun,
  type Deps,
  decide,
  drawPrize,
  entriesOf,
  handOut,
  houseTrials,
  Intake,
  importPack,
  mine,
  type Person,
  publish,
  receivePicture,
  reckonHere,
  runDoc,
  saveBrief,
  saveCount,
  saveSettings,
  schema,
  showHouseTrial,
  starterPack,
  takeTaps,
} from "@lampcrate/server";
import { type DemoBrief, fullLine } from "./briefs.ts";
import { floorTaps } from "./floorDay.ts";
import type { MaterialKey, PersonKey } from "./house.ts";
import type { DemoTrial } from "./houseTrials.ts";
import { photoOf } from "./photos.ts";

/** A run's id from its title: the same at every load. */
const runId = (title: string): string => `demo-${title.toLowerCase().replace(/[^a-z]+/g, "-")}`.slice(0, 40);

/** Kits asked for beforehand, of which nine in ten are picked up, and some more who come by. */
export const atHome = (asked: number, more: number): HeadsModel => ({ model: "atHome", asked, takeUp: 0.9, more });

/** Does with the demo's runs what a planner and families would do, at the time they would. */
export class DemoRuns {
  private readonly intake: Intake;

  constructor(
    private readonly deps: Deps,
    private readonly planner: Person,
    private readonly store: Record<MaterialKey, string>,
    private readonly setClock: (instant: number) => void,
  ) {
    this.intake = new Intake(deps);
  }

  make(
    title: string,
    kind: RunKind,
    { brief, lines }: DemoBrief,
    dates: Pick<RunSettings, "opensOn" | "closesOn" | "revealOn">,
    at: number,
    heads: HeadsModel,
  ): string {
    this.setClock(at);
    const id = createRun(this.deps, { title, kind, family: brief.family }, runId(title));
    const doc = {
      ...brief,
      lines: lines.map((line, i) => fullLine(line, `line-${i + 1}-${line.material}`.slice(0, 40), this.store[line.material])),
    };
    saveBrief(this.deps, this.planner, id, { revision: 1, brief: doc, words: "pinned the numbers" });
    this.settle(id, { title, kind, ...dates, heads });
    return id;
  }

  session(
    id: string,
    date: string,
    time: string,
    roomId: string | null,
    minutes: number,
    heads: HeadsModel,
    title: string,
    people: readonly PersonKey[],
    apart: Partial<SessionInput> = {},
  ): void {
    const input: SessionInput = {
      title,
      roomId,
      start: `${date}T${time}`,
      minutes,
      setUpMin: 60,
      tearDownMin: 45,
      heads,
      people,
      part: null,
      kind: "as the run",
      cancelled: false,
      ...apart,
    };
    addSession(this.deps, this.planner, id, input);
  }

  /** What was tapped on the floor of the run's n-th session, where that is over. */
  floor(id: string, place: number): void {
    const held = runDoc(this.deps.db, id, this.planner).sessions[place];
    if (held && held.endAt < this.deps.clock()) takeTaps(this.deps, this.planner, held.id, { after: 0, taps: floorTaps(held.startAt) });
  }

  /** Says how many days lie between the parts of a series. */
  spread(id: string, series: SeriesDays): void {
    const doc = runDoc(this.deps.db, id, this.planner);
    saveSettings(this.deps, this.planner, id, { ...settingsOf(doc), revision: doc.revision, series });
  }

  /** Keeps a day as the planner rehearsed it. */
  rehearse(id: string, day: DropIn): void {
    const doc = runDoc(this.deps.db, id, this.planner);
    const targets = [{ what: "rigWait", minutes: 5, atLeast: 0.9 }] as const;
    saveSettings(this.deps, this.planner, id, { ...settingsOf(doc), revision: doc.revision, rehearsal: { day, targets } });
  }

  /** What was left after the run's n-th session, where that is over. */
  count(id: string, place: number, input: CountInput): void {
    const held = runDoc(this.deps.db, id, this.planner).sessions[place];
    if (held && held.endAt < this.deps.clock()) saveCount(this.deps, this.planner, id, held.id, input);
  }

  setClockTo(instant: number): void {
    this.setClock(instant);
  }

  fromStarter(starter: string, title: string, kind: RunKind, dates: Pick<RunSettings, "opensOn" | "closesOn" | "revealOn">): string {
    const id = runId(title);
    importPack(this.deps, starterPack(starter), { title, kind, id });
    this.settle(id, { title, kind, ...dates });
    return id;
  }

  /** Gives a new run its settings; what isn't named stays as it was made. */
  private settle(id: string, patch: Partial<RunSettings>): void {
    const made = runDoc(this.deps.db, id, this.planner);
    saveSettings(this.deps, this.planner, id, { ...settingsOf(made), revision: made.revision, ...patch });
  }

  /** Asks for one height alone, not for a ladder of them. */
  oneSetting(id: string): void {
    const { brief, briefRevision } = runDoc(this.deps.db, id, this.planner);
    const doc = { ...brief, outcomes: { ...brief.outcomes, setting: null } };
    saveBrief(this.deps, this.planner, id, { revision: briefRevision, brief: doc, words: "asked at one height" });
  }

  /** The rules of a run, as its families are asked about them. */
  rulesOf(id: string): readonly string[] {
    return runDoc(this.deps.db, id, this.planner).brief.rules.map(({ words }) => words);
  }

  /** One more line in a run's kit. */
  addLine(id: string, line: DemoBrief["lines"][number]): void {
    const { brief, briefRevision } = runDoc(this.deps.db, id, this.planner);
    const more = fullLine(line, `line-more-${line.material}`.slice(0, 40), this.store[line.material]);
    const doc = { ...brief, lines: [...brief.lines, more] };
    saveBrief(this.deps, this.planner, id, { revision: briefRevision, brief: doc, words: "added a line" });
  }

  /** A practice build, its broken pieces by the place of their line in the crate. */
  tryFirst(id: string, { broke, ...trial }: DemoTrial, { shown = false } = {}): void {
    const { lines } = runDoc(this.deps.db, id, this.planner).brief;
    addHouseTrial(this.deps, this.planner, id, {
      ...trial,
      broke: broke.flatMap(([place, good, spoilt]) => {
        const line = lines[place];
        return line ? [{ lineId: line.id, good, spoilt }] : [];
      }),
    });
    const [last] = houseTrials(this.deps.db, id).slice(-1);
    if (shown && last) showHouseTrial(this.deps, id, last.doc.id, true);
  }

  publish(id: string): void {
    publish(this.deps, this.planner, id);
  }

  /** Sends `count` entries, spread evenly over a stretch of time. */
  async send(
    id: string,
    name: string,
    count: number,
    make: (name: string, i: number) => EntryInput,
    from: number,
    to: number,
  ): Promise<void> {
    const code = runDoc(this.deps.db, id, this.planner).code ?? "";
    for (let i = 0; i < count; i += 1) {
      this.setClock(from + ((to - from) * (i + 1)) / (count + 1) - wholeBelow(3600_000, seedOf(name), i));
      const entry = make(`${name}${String(i + 1).padStart(2, "0")}`, i);
      await this.intake.receive(code, entry);
      await this.sendPictures(entry);
    }
  }

  /** A leader sends a whole group. */
  sendGroup(id: string, group: GroupInput, at: number): void {
    this.setClock(at);
    this.intake.receiveGroup(runDoc(this.deps.db, id, this.planner).code ?? "", group);
  }

  /** Asks the family of an entry that waits, by the secret of its link; they answer. */
  ask(id: string, secret: string, words: string, answer: string, at: number): void {
    this.setClock(at);
    const { entry } = mine(this.deps, secret);
    askFamily(this.deps, this.planner, id, entry.id, { words, revision: entry.revision });
    this.setClock(at + 3 * 3600_000);
    answerAsk(this.deps, secret, mine(this.deps, secret).entry.asks[0]?.id ?? "", answer);
  }

  /** Draws a prize among those who met the goal; the first of them has come for it. */
  async drawPrize(id: string, winners: number, at: number): Promise<void> {
    this.setClock(at);
    const qualifiers = await reckonHere(this.deps.db, this.deps.data).ask("qualifiers", { runId: id });
    drawPrize(this.deps, this.planner, id, { winners, among: "goal" }, qualifiers);
    const [code = ""] = this.deps.db
      .select({ code: schema.prizeWin.code })
      .from(schema.prizeWin)
      .all()
      .map((won) => won.code);
    handOut(this.deps, this.planner, id, code);
  }

  private async sendPictures({ secret, versions }: EntryInput): Promise<void> {
    for (const version of versions)
      for (const { id } of version.pictures) await receivePicture(this.deps, secret, id, await photoOf(id, version));
  }

  /** Decides on the entries chosen: impossible ones are set aside, the rest accepted. */
  sift(id: string, chosen: (i: number) => boolean, at: number): void {
    this.setClock(at);
    for (const [i, entry] of entriesOf(this.deps.db, id).entries()) {
      if (!chosen(i)) continue;
      const odd = entry.versions.some((version) => version.trials.some((trial) => trial.flag === "impossible"));
      decide(this.deps, this.planner, id, entry.id, {
        decision: odd ? "set aside" : "accepted",
        why: odd ? "one time can't happen; asked the family" : "",
        revision: entry.revision,
      });
    }
  }
}
