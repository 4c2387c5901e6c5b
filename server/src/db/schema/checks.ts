import { type SQL, type SQLWrapper, sql } from "drizzle-orm";

/** A condition that the database itself holds a number to: finite and between two bounds. Nothing at all passes. */
export function within(column: SQLWrapper, least: number, most: number): SQL {
  return sql`${column} between ${sql.raw(String(least))} and ${sql.raw(String(most))}`;
}
