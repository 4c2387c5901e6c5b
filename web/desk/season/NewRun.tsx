import type { NewRun as NewRunInput } from "@lampcrate/contract";
import { families, familyIds } from "@lampcrate/core";
import { useQueryClient } from "@tanstack/react-query";
import { Form, Input, Modal, Radio, Select } from "antd";
import { useState } from "react";
import { useNavigate } from "react-router";
import { AskError, api, ask } from "../../shared/client.ts";
import { seasonQuery } from "../queries.ts";

const kinds = ["drop-in", "workshop", "series", "at-home", "visiting group"].map((value) => ({ value, label: value }));

/** Starts a run: a title, how it is offered, and the family its brief belongs to. */
export function NewRun({ onClose }: { readonly onClose: () => void }) {
  const [form] = Form.useForm<NewRunInput>();
  const [trouble, setTrouble] = useState<string | null>(null);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const start = async (json: NewRunInput): Promise<void> => {
    try {
      const { id } = await ask(api.runs.$post({ json }));
      void queries.invalidateQueries(seasonQuery);
      await navigate(`/run/${id}/brief`);
    } catch (error) {
      setTrouble(error instanceof AskError ? error.message : "Try again in a moment.");
    }
  };
  return (
    <Modal open title="New run" okText="Start with the brief" onOk={() => form.submit()} onCancel={onClose}>
      <Form
        form={form}
        layout="vertical"
        requiredMark={false}
        initialValues={{ kind: "drop-in", family: "span" }}
        onFinish={(values) => void start(values)}
      >
        <Form.Item name="title" label="Title" rules={[{ required: true, max: 80, message: "Give it a title of up to 80 letters." }]}>
          <Input autoFocus placeholder="Boardwalk over the Bog" />
        </Form.Item>
        <Form.Item name="family" label="Challenge family">
          <Radio.Group
            style={{ display: "grid", gap: 6 }}
            options={familyIds.map((id) => ({ value: id, label: `${families[id].words}: ${families[id].ask.toLowerCase()}` }))}
          />
        </Form.Item>
        <Form.Item name="kind" label="How it is offered">
          <Select options={kinds} />
        </Form.Item>
        {trouble === null ? null : (
          <p role="alert" className="trouble">
            {trouble}
          </p>
        )}
      </Form>
    </Modal>
  );
}
