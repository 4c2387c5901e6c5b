import type { Role, StaffDoc, StaffInput } from "@lampcrate/contract";
import { useQuery } from "@tanstack/react-query";
import { Checkbox, Input, Select } from "antd";
import { useState } from "react";
import { api, ask } from "../../shared/client.ts";
import { AddDrawer } from "../pieces/AddDrawer.tsx";
import { Button } from "../pieces/Button.tsx";
import { DataTable } from "../pieces/DataTable.tsx";
import { Sure } from "../pieces/Sure.tsx";
import { useSave } from "../pieces/useSave.ts";
import { staffQuery } from "../queries.ts";

const roles: readonly { value: Role; label: string }[] = [
  { value: "planner", label: "planner" },
  { value: "floor", label: "floor lead" },
  { value: "sifter", label: "sifter" },
];

/** The people of the house and their passwords. */
export function Staff() {
  const staff = useQuery(staffQuery);
  const [editing, setEditing] = useState<string | null>(null);
  const changed = staff.data?.find((person) => person.id === editing) ?? null;
  return (
    <section className="sheet pad stack" aria-label="People">
      <h2>People</h2>
      <DataTable
        label="People of the house"
        rowKey="id"
        rows={staff.data ?? []}
        columns={[
          { title: "Name", dataIndex: "name", rowScope: "row", sorter: (a, b) => a.name.localeCompare(b.name) },
          { title: "Sign-in name", dataIndex: "signIn" },
          { title: "Does", dataIndex: "role", sorter: (a, b) => a.role.localeCompare(b.role) },
          { title: "May sign in", key: "active", render: (_, { active }) => (active ? "yes" : "no") },
          {
            title: <span className="unseen">Change</span>,
            key: "change",
            render: (_, { id, name }) => (
              <Button type="text" size="small" aria-label={`Change ${name}`} onClick={() => setEditing(id)}>
                change
              </Button>
            ),
          },
        ]}
      />
      <div>
        <Button onClick={() => setEditing("new")}>Add a person</Button>
      </div>
      <AddDrawer title={changed ? `Change ${changed.name}` : "New person"} open={editing !== null} onLeave={() => setEditing(null)}>
        <PersonForm key={editing} person={changed} onClose={() => setEditing(null)} />
      </AddDrawer>
    </section>
  );
}

function PersonForm({ person, onClose }: { readonly person: StaffDoc | null; readonly onClose: () => void }) {
  const [typed, setTyped] = useState({
    name: person?.name ?? "",
    signIn: person?.signIn ?? "",
    role: person?.role ?? ("sifter" as Role),
    active: person?.active ?? true,
    password: "",
  });
  const renewed = { onSaved: onClose, renew: [staffQuery] };
  const saving = useSave({
    send: ({ password, ...rest }: typeof typed) => {
      const json: StaffInput = password === "" ? rest : { ...rest, password };
      return ask(person ? api.staff[":id"].$put({ param: { id: person.id }, json }) : api.staff.$post({ json }));
    },
    ...renewed,
  });
  const removing = useSave({ send: (id: string) => ask(api.staff[":id"].$delete({ param: { id } })), ...renewed });
  const trouble = saving.trouble ?? removing.trouble;
  const message = (field: string) => {
    const words = trouble?.fieldMessage(field);
    return words ? (
      <span role="alert" className="ruler-trouble">
        {words}
      </span>
    ) : null;
  };
  return (
    <form
      className="stack"
      aria-label={person ? `Change ${person.name}` : "New person"}
      onSubmit={(event) => {
        event.preventDefault();
        void saving.save(typed);
      }}
    >
      <div className="fields three">
        <label>
          <span className="field-label small">Name</span>
          <Input required maxLength={80} value={typed.name} onChange={(event) => setTyped({ ...typed, name: event.target.value })} />
          {message("name")}
        </label>
        <label>
          <span className="field-label small">Sign-in name</span>
          <Input required value={typed.signIn} onChange={(event) => setTyped({ ...typed, signIn: event.target.value.toLowerCase() })} />
          {message("signIn")}
        </label>
        <label>
          <span className="field-label small">Does</span>
          <Select className="wide" value={typed.role} options={[...roles]} onChange={(role: Role) => setTyped({ ...typed, role })} />
          {message("role")}
        </label>
        <label>
          <span className="field-label small">{person ? "New password, or leave it empty" : "Password, ten characters or more"}</span>
          <Input.Password
            autoComplete="new-password"
            value={typed.password}
            onChange={(event) => setTyped({ ...typed, password: event.target.value })}
          />
          {message("password")}
        </label>
        <Checkbox checked={typed.active} onChange={(event) => setTyped({ ...typed, active: event.target.checked })}>
          may sign in
        </Checkbox>
      </div>
      {message("id")}
      {trouble && (trouble.problem.errors ?? []).length === 0 ? (
        <p role="alert" className="trouble">
          {trouble.message}
        </p>
      ) : null}
      <div className="row">
        <Button htmlType="submit">Save</Button>
        <Button type="text" size="small" onClick={onClose}>
          leave it
        </Button>
        {person ? (
          <Sure
            words="Delete"
            question={`Delete ${person.name}?`}
            told="They can no longer sign in. Their name stays where they did something. This can't be undone."
            onSure={async () => void (await removing.save(person.id))}
          />
        ) : null}
      </div>
    </form>
  );
}
