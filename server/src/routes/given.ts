import { validator } from "hono/validator";
import { badField } from "../http/problem.ts";

/** A run's spoken code, however it is typed. */
export const runCode = validator("param", (value: Record<string, string>) => {
  const typed = value["code"] ?? "";
  if (typed.length > 60 || !/[A-Za-z]/.test(typed))
    throw badField("code", "A code is three words and a number, such as REED LANTERN OTTER 472.");
  return { code: typed };
});

/** The secret of a private link; one builder of a leader's group is opened by theirs with its row behind a ~. It comes as a header, so that no log or history of a proxy keeps it. */
export const secret = validator("header", (value: Record<string, string>) => {
  const given = value["x-entry-secret"] ?? "";
  if (!/^[A-Za-z0-9_-]{24,64}(?:~\d{1,2})?$/.test(given)) throw badField("secret", "This private link is not complete. Copy it whole.");
  return { "x-entry-secret": given };
});
