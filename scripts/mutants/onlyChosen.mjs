// Lets through the mutants of the sample alone: the places of a range hold others too.
import { readFileSync } from "node:fs";
import { isAbsolute, relative } from "node:path";
import { declareFactoryPlugin, PluginKind } from "@stryker-mutator/api/plugin";
import { nameOf, plainly } from "./sample.mjs";

class OnlyChosen {
  async init() {
    this.chosen = new Set(JSON.parse(readFileSync(process.env.LAMPCRATE_MUTANTS, "utf8")).map(nameOf));
    this.home = process.cwd();
  }

  async check(mutants) {
    return Object.fromEntries(
      mutants.map((mutant) => [mutant.id, { status: this.isChosen(mutant) ? "passed" : "compileError", reason: "not of the sample" }]),
    );
  }

  isChosen(mutant) {
    const file = isAbsolute(mutant.fileName) ? relative(this.home, mutant.fileName) : mutant.fileName;
    return this.chosen.has(nameOf(plainly(mutant, file.replace(/^.*?(?=(core|server)\/src\/)/, ""))));
  }
}

export const strykerPlugins = [declareFactoryPlugin(PluginKind.Checker, "only-chosen", () => new OnlyChosen())];
