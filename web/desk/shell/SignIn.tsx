import { useQueryClient } from "@tanstack/react-query";
import { Form, Input } from "antd";
import { api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";
import { useSave } from "../pieces/useSave.ts";
import { meQuery } from "../queries.ts";

/** The form alone, for the page and for signing in again over work that is not saved yet. */
export function SignInForm({ onDone }: { readonly onDone: () => void }) {
  const { save, pending, trouble } = useSave({
    send: (json: { readonly signIn: string; readonly password: string }) => ask(api["sign-in"].$post({ json })),
    onSaved: onDone,
  });
  return (
    <Form layout="vertical" onFinish={(values: { signIn: string; password: string }) => void save(values)} requiredMark={false}>
      <Form.Item name="signIn" label="Sign-in name" rules={[{ required: true, message: "Type your sign-in name." }]}>
        <Input autoComplete="username" autoFocus />
      </Form.Item>
      <Form.Item name="password" label="Password" rules={[{ required: true, message: "Type your password." }]}>
        <Input.Password autoComplete="current-password" />
      </Form.Item>
      {trouble === null ? null : (
        <p role="alert" className="trouble below">
          {trouble.message}
        </p>
      )}
      <Button type="primary" htmlType="submit" loading={pending}>
        Sign in
      </Button>
    </Form>
  );
}

export function SignInPage() {
  const queries = useQueryClient();
  return (
    <main className="page narrow-column">
      <div className="sheet pad stack">
        <div className="row">
          <img src="/assets/mark.svg" alt="" width="34" />
          <h1>Lamp Crate</h1>
        </div>
        <p className="soft">
          For the people who plan, run and sift build challenges. Families need no sign-in: they use the code on their sheet.
        </p>
        <SignInForm onDone={() => void queries.invalidateQueries(meQuery)} />
      </div>
    </main>
  );
}
