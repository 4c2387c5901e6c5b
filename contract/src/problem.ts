/** A problem document (RFC 9457) as every door here answers with. */
export interface ProblemDoc {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly errors?: readonly { readonly field: string; readonly message: string }[];
  /** With 409 on a stale save: what is there now, and what changed since. */
  readonly current?: unknown;
  readonly changed?: readonly string[];
}
