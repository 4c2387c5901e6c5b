import { useMutation } from "@tanstack/react-query";
import { Form, Input, Modal } from "antd";
import { AskError, api, ask } from "../../shared/client.ts";
import { Button } from "../pieces/Button.tsx";

interface OwnSignInProps {
  readonly name: string;
  readonly onClose: () => void;
}

/** One's own password, and signing out on every device. */
export function OwnSignIn({ name, onClose }: OwnSignInProps) {
  const change = useMutation<unknown, Error, { current: string; next: string }>({
    mutationFn: (json) => ask(api.me.password.$put({ json })),
  });
  const leave = useMutation({
    mutationFn: () => ask(api["sign-out-everywhere"].$post()),
    onSuccess: () => location.assign("/"),
  });
  const words = (field: string) => (change.error instanceof AskError ? change.error.fieldMessage(field) : undefined);
  const help = (field: string) => {
    const said = words(field);
    return said === undefined ? {} : { validateStatus: "error" as const, help: said };
  };
  const other = change.error !== null && words("current") === undefined && words("next") === undefined ? change.error.message : null;
  return (
    <Modal open title={name} onCancel={onClose} footer={null} width={420}>
      {change.isSuccess ? (
        <p role="status">Your password is changed. Other devices were signed out.</p>
      ) : (
        <Form layout="vertical" requiredMark={false} onFinish={(typed: { current: string; next: string }) => change.mutate(typed)}>
          <Form.Item name="current" label="Password now" rules={[{ required: true, message: "Type your password." }]} {...help("current")}>
            <Input.Password autoComplete="current-password" />
          </Form.Item>
          <Form.Item
            name="next"
            label="New password, ten characters or more"
            rules={[{ required: true, min: 10, message: "Ten characters or more: a few words make a good one." }]}
            {...help("next")}
          >
            <Input.Password autoComplete="new-password" />
          </Form.Item>
          {other === null ? null : (
            <p role="alert" className="trouble">
              {other}
            </p>
          )}
          <Button type="primary" htmlType="submit" loading={change.isPending}>
            Change my password
          </Button>
        </Form>
      )}
      <p className="soft small above">Left signed in somewhere else?</p>
      <Button loading={leave.isPending} onClick={() => leave.mutate()}>
        Sign out everywhere
      </Button>
    </Modal>
  );
}
