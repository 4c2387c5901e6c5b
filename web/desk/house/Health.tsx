import type { HealthLine } from "@lampcrate/contract";
import { useQuery } from "@tanstack/react-query";
import { Table } from "antd";
import { healthQuery } from "../queries.ts";

const states: Readonly<Record<HealthLine["state"], string>> = {
  fine: "fine",
  soon: "look at it soon",
  broken: "needs you",
  off: "not set up",
};

/** How the server stands: space, writing, jobs, copies. For planners; whoever runs the server reads the same from it. */
export function Health() {
  const health = useQuery(healthQuery);
  if (health.isLoadingError || health.isPending) return null;
  return (
    <section className="sheet pad stack" aria-label="The server">
      <h2>The server</h2>
      <Table
        size="small"
        pagination={false}
        rowKey="name"
        dataSource={[...health.data.lines]}
        columns={[
          { title: "What", dataIndex: "name", width: 150, onCell: () => ({ scope: "row" }) },
          {
            title: "How",
            dataIndex: "state",
            width: 150,
            render: (state: HealthLine["state"]) => <span className={`health ${state}`}>{states[state]}</span>,
          },
          { title: "In words", dataIndex: "words" },
        ]}
      />
    </section>
  );
}
