import { Button, type ButtonProps } from "antd";
import { useHref, useLinkClickHandler } from "react-router";

interface LinkButtonProps extends Pick<ButtonProps, "type" | "size" | "children" | "className"> {
  readonly to: string;
}

/** A way to another view that stands as a button: opens beside with the middle button, as any link, and for whoever may only look too. */
export function LinkButton({ to, ...props }: LinkButtonProps) {
  return <Button {...props} disabled={false} href={useHref(to)} onClick={useLinkClickHandler(to) as ButtonProps["onClick"] & object} />;
}
