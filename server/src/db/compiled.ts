import type Sqlite from "better-sqlite3";
import { is, Param, Placeholder } from "drizzle-orm";

/** A query of Drizzle's: its text, and its parameters in order, placeholders among them. */
interface Query {
  toSQL(): { sql: string; params: unknown[] };
}

type Values = Readonly<Record<string, unknown>>;

/**
 * A statement that Drizzle writes and SQLite runs directly: names and encodings come from the schema, and filling in
 * placeholders costs next to nothing. For the few that run many times a second.
 */
export class Compiled {
  private readonly statement: Sqlite.Statement;
  private readonly fill: readonly ((values: Values) => unknown)[];

  constructor(client: Sqlite.Database, query: Query) {
    const { sql, params } = query.toSQL();
    this.statement = client.prepare(sql);
    if (this.statement.reader) this.statement.pluck();
    this.fill = params.map((param) => {
      if (is(param, Placeholder)) return (values) => values[param.name];
      if (is(param, Param)) {
        const { value, encoder } = param;
        return is(value, Placeholder) ? (values) => encode(encoder, values[value.name]) : () => encode(encoder, value);
      }
      return () => param;
    });
  }

  /** Runs it; gives the row's own number where it inserts one. */
  run(values: Values): number {
    return Number(this.statement.run(this.bind(values)).lastInsertRowid);
  }

  /** True when the query, of one column, finds anything. */
  finds(values: Values): boolean {
    return this.statement.get(this.bind(values)) !== undefined;
  }

  private bind(values: Values): unknown[] {
    return this.fill.map((of) => of(values));
  }
}

function encode(encoder: { mapToDriverValue(value: unknown): unknown }, value: unknown): unknown {
  return value === null || value === undefined ? null : encoder.mapToDriverValue(value);
}
