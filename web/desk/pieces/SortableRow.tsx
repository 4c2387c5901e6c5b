import { HolderOutlined } from "@ant-design/icons";
import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { type ComponentProps, createContext, useContext } from "react";
import { useLocked } from "../../shared/pieces/locked.ts";
import { Button } from "./Button.tsx";

type Grip = Pick<ReturnType<typeof useSortable>, "attributes" | "listeners">;

const GripContext = createContext<Grip | null>(null);

/** A row that can be taken elsewhere; a form opened below one stays with it. */
export function SortableRow(props: ComponentProps<"tr"> & { readonly "data-row-key"?: string }) {
  const isLine = props["data-row-key"] !== undefined && props.className?.includes("ant-table-row") && !props.className.includes("expanded");
  return isLine ? <Taken {...props} id={props["data-row-key"] ?? ""} /> : <tr {...props} />;
}

function Taken({ id, style, ...props }: ComponentProps<"tr"> & { readonly id: string }) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id, disabled: useLocked() });
  return (
    <GripContext.Provider value={{ attributes, listeners }}>
      <tr {...props} ref={setNodeRef} style={{ ...style, transform: CSS.Translate.toString(transform), transition }} />
    </GripContext.Provider>
  );
}

/** What a row is taken by, with a pointer or with the keys. */
export function Handle({ name }: { readonly name: string }) {
  const grip = useContext(GripContext);
  return (
    <Button type="text" size="small" className="handle" aria-label={`Move ${name}`} {...grip?.attributes} {...grip?.listeners}>
      <HolderOutlined aria-hidden />
    </Button>
  );
}
