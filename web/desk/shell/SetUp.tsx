import type { SetupInput } from "@lampcrate/contract";
import { useQueryClient } from "@tanstack/react-query";
import { Form, Input, Radio } from "antd";
import { useEffect } from "react";
import { useNavigate } from "react-router";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { CurrencyChoice, ZoneChoice } from "../pieces/HouseChoices.tsx";
import { useSave } from "../pieces/useSave.ts";

/** The first visit to an empty installation: makes the house and its first planner. */
export function SetUp({ url }: { readonly url: string }) {
  const [form] = Form.useForm<SetupInput>();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { save, pending, trouble } = useSave({ send: (json: SetupInput) => ask(api.setup.$post({ json })) });
  useEffect(() => {
    form.setFields((trouble?.problem.errors ?? []).map(({ field, message }) => ({ name: field as keyof SetupInput, errors: [message] })));
  }, [form, trouble]);
  const finish = async (json: SetupInput): Promise<void> => {
    if (!(await save(json))) return;
    await queries.invalidateQueries();
    await navigate("/house");
  };
  const needed = [{ required: true, message: "This is needed." }];
  return (
    <main className="page middle-column">
      <div className="sheet pad stack">
        <h1>Set up your house</h1>
        <p>
          Nobody has used this installation yet. The server printed a set-up code when it started: it shows that you are the one who runs
          it.
        </p>
        <Form
          form={form}
          layout="vertical"
          requiredMark={false}
          onFinish={(values) => void finish(values)}
          initialValues={{ zone: Intl.DateTimeFormat().resolvedOptions().timeZone, currency: "EUR", units: "metric", publicUrl: url }}
        >
          <div className="fields">
            <Form.Item name="code" label="Set-up code" rules={needed}>
              <Input autoFocus placeholder="1234-5678" />
            </Form.Item>
            <Form.Item name="houseName" label="Name of the house" rules={needed}>
              <Input />
            </Form.Item>
            <Form.Item name="zone" label="Time zone" rules={needed}>
              <ZoneChoice />
            </Form.Item>
            <Form.Item name="currency" label="Currency" rules={needed}>
              <CurrencyChoice />
            </Form.Item>
            <Form.Item name="publicUrl" label="Address families reach it at" rules={needed}>
              <Input />
            </Form.Item>
            <Form.Item name="units" label="Units">
              <Radio.Group
                options={[
                  { value: "metric", label: "metric" },
                  { value: "imperial", label: "feet and pounds" },
                ]}
              />
            </Form.Item>
            <Form.Item name="name" label="Your name" rules={needed}>
              <Input autoComplete="name" />
            </Form.Item>
            <Form.Item name="signIn" label="Your sign-in name" rules={needed}>
              <Input autoComplete="username" />
            </Form.Item>
            <Form.Item
              name="password"
              label="Password, ten characters or more"
              rules={[{ required: true, min: 10, message: "Ten characters or more." }]}
            >
              <Input.Password autoComplete="new-password" />
            </Form.Item>
          </div>
          {trouble === null ? null : (
            <p role="alert" className="trouble below">
              {trouble.message}
            </p>
          )}
          <Button type="primary" htmlType="submit" loading={pending}>
            Make the house
          </Button>
        </Form>
      </div>
    </main>
  );
}
