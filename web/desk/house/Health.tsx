import type { HealthLine } from "@lampcrate/contract";
import { useQuery } from "@tanstack/react-query";
import { Popconfirm, Table } from "antd";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { useSave } from "../pieces/useSave.ts";
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
      {health.data.lines.some(({ name }) => name === "restored entries") && <ShowEntries />}
    </section>
  );
}

/** Shows the entries of a restored copy, once a planner has said that no family erased one since. */
function ShowEntries() {
  const show = useSave({ send: () => ask(api["held-back-entries"].show.$post()), renew: [healthQuery] });
  return (
    <div className="row">
      <Popconfirm
        title="Show these entries?"
        description="An entry that a family erased after the copy was made would be shown again."
        okText="Show entries"
        cancelText="Keep them hidden"
        onConfirm={() => void show.save(undefined)}
      >
        <Button>Show entries</Button>
      </Popconfirm>
    </div>
  );
}
