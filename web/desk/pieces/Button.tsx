import { type ButtonProps, Button as Plain } from "antd";
import { useLocked } from "../../shared/pieces/locked.ts";

/** The desk's button: it rests where whoever is signed in may only look. */
export function Button({ disabled = false, ...props }: ButtonProps) {
  return <Plain {...props} disabled={useLocked() || disabled} />;
}
