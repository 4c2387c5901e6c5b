import { SearchOutlined } from "@ant-design/icons";
import { Input } from "antd";

interface SearchBoxProps {
  /** What is looked for, where no label stands over the box. */
  readonly label?: string;
  readonly placeholder: string;
  readonly className?: string;
  readonly value: string;
  readonly onFind: (words: string) => void;
}

/** Words that a list is searched by as they are typed. */
export function SearchBox({ label, placeholder, className, value, onFind }: SearchBoxProps) {
  return (
    <Input
      {...(className === undefined ? {} : { className })}
      {...(label === undefined ? {} : { "aria-label": label })}
      placeholder={placeholder}
      prefix={<SearchOutlined aria-hidden />}
      allowClear
      value={value}
      onChange={(event) => onFind(event.target.value)}
    />
  );
}
