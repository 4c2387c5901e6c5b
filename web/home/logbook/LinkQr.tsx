import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useWords } from "../../shared/words/useWords.ts";

/** A link as a code to be scanned by another phone; made on this device, as the link is a secret. */
export function LinkQr({ link }: { readonly link: string }) {
  const words = useWords();
  const [open, setOpen] = useState(false);
  const code = useQuery({
    queryKey: ["qr", link],
    queryFn: async () => {
      const { create } = await import("qrcode");
      const { modules } = create(link, { errorCorrectionLevel: "M" });
      return { size: modules.size, dots: [...modules.data].flatMap((dark, at) => (dark ? [at] : [])) };
    },
    enabled: open,
    gcTime: 0,
  });
  return (
    <>
      <button type="button" className="plain" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? words.sent.qrHide : words.sent.qr}
      </button>
      {open && code.data ? <Dots {...code.data} label={words.sent.qrLabel} /> : null}
      {open && code.isError ? <p role="alert">{words.common.retry}</p> : null}
    </>
  );
}

/** Empty modules around a code, that scanners need. */
const quiet = 4;

function Dots({ size, dots, label }: { readonly size: number; readonly dots: readonly number[]; readonly label: string }) {
  const whole = size + 2 * quiet;
  const path = dots.map((at) => `M${quiet + (at % size)} ${quiet + Math.floor(at / size)}h1v1h-1z`).join("");
  return (
    <svg className="qr" viewBox={`0 0 ${whole} ${whole}`} role="img" aria-label={label} shapeRendering="crispEdges">
      <rect width={whole} height={whole} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  );
}
