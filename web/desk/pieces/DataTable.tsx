import { Table, type TableProps } from "antd";
import { type ComponentProps, useMemo } from "react";
import "./dataTable.css";

interface DataTableProps<Row extends object>
  extends Pick<TableProps<Row>, "rowKey" | "expandable" | "onRow" | "rowClassName" | "summary" | "loading"> {
  /** What the table holds, for whoever hears it. */
  readonly label: string;
  readonly columns: NonNullable<TableProps<Row>["columns"]>;
  readonly rows: readonly Row[];
  /** Draws a body row in a way of its own. */
  readonly rowAs?: React.ComponentType<ComponentProps<"tr">>;
  /** Rows of a height known beforehand, of which only those in sight are drawn; with the table's whole width, px. */
  readonly virtual?: { readonly height: number; readonly width: number };
  readonly headless?: boolean;
  /** Rows may be ticked, several at once; undefined where nothing could be done with them. */
  readonly ticks?: Ticks<Row> | undefined;
}

interface Ticks<Row> {
  readonly ticked: readonly string[];
  readonly onTick: (ids: readonly string[]) => void;
  readonly nameOf: (row: Row) => string;
}

const tickWidth = 40;

/** A table in our look: hairlines between rows, no pages; whoever has many rows looks for them or scrolls. */
export function DataTable<Row extends object>({
  label,
  rows,
  rowAs,
  virtual,
  headless = false,
  expandable,
  ticks,
  ...rest
}: DataTableProps<Row>) {
  const opened = expandable?.expandedRowRender;
  const components = useMemo(
    () => ({
      table: (props: ComponentProps<"table">) => <table aria-label={label} {...props} />,
      ...(rowAs ? { body: { row: rowAs } } : {}),
    }),
    [label, rowAs],
  );
  return (
    <Table<Row>
      {...rest}
      {...(expandable
        ? {
            expandable: {
              ...expandable,
              // What was open once is not kept hidden: its form would still be there to be found.
              ...(opened ? { expandedRowRender: (row, i, indent, open) => (open ? opened(row, i, indent, open) : null) } : {}),
            },
          }
        : {})}
      {...(ticks
        ? {
            rowSelection: {
              selectedRowKeys: [...ticks.ticked],
              onChange: (keys) => ticks.onTick(keys.map(String)),
              getCheckboxProps: (row) => ({ "aria-label": `Tick ${ticks.nameOf(row)}` }),
              columnWidth: tickWidth,
            },
          }
        : {})}
      {...(virtual ? { virtual: true, scroll: { y: virtual.height, x: virtual.width + (ticks ? tickWidth : 0) } } : { components })}
      className="data-table"
      dataSource={rows}
      pagination={false}
      showHeader={!headless}
      showSorterTooltip={false}
      size="small"
    />
  );
}
