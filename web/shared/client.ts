import type { ProblemDoc } from "@lampcrate/contract";
import { said } from "@lampcrate/core";
import type { Api } from "@lampcrate/server/api";
import { hc } from "hono/client";
import { noticeBuild } from "./build.ts";

/** The server, typed by its own routes. */
export const api = hc<Api>(`${location.origin}/api`);

/** What the server could not take, with its problem document; `offline` when nothing was reached. */
export class AskError extends Error {
  constructor(
    readonly problem: ProblemDoc,
    readonly offline = false,
  ) {
    super(problem.detail);
  }

  /** The message for one field of the form, if there is one. */
  fieldMessage(field: string): string | undefined {
    return this.problem.errors?.find(
      (error) => error.field === field || error.field.startsWith(`${field}.`) || error.field.startsWith(`${field}[`),
    )?.message;
  }
}

interface Answer<T> {
  readonly ok: boolean;
  readonly status: number;
  readonly headers: Headers;
  json(): Promise<T>;
}

/** Waits for an answer and gives its body; throws an AskError with words for people otherwise. */
export async function ask<T>(asked: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await asked;
  } catch {
    throw new AskError(
      {
        type: "about:blank",
        title: said("No connection"),
        status: 0,
        detail: said("The server can't be reached. Nothing is lost: try again when you are back online."),
      },
      true,
    );
  }
  noticeBuild(answer.headers);
  if (answer.ok) return answer.json();
  throw new AskError(await problemOf(answer));
}

async function problemOf(answer: Answer<unknown>): Promise<ProblemDoc> {
  try {
    return (await answer.json()) as ProblemDoc;
  } catch {
    return {
      type: "about:blank",
      title: said("Something broke"),
      status: answer.status,
      detail: said("The server gave no readable answer. Try again in a moment."),
    };
  }
}
