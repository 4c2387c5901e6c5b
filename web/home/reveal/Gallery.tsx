import type { ShownPicture } from "@lampcrate/contract";
import { useInfiniteQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { useWords } from "../../shared/words/useWords.ts";
import { galleryQuery } from "../queries.ts";
import "./gallery.css";

/** What others built, as they agreed to show it; nothing where there are no pictures. */
export function Gallery({ code }: { readonly code: string }) {
  const words = useWords();
  const found = useInfiniteQuery(galleryQuery(code));
  const [open, setOpen] = useState<ShownPicture | null>(null);
  const pictures = found.data?.pages.flatMap((page) => page.pictures) ?? [];
  if (pictures.length === 0) return null;
  return (
    <section className="card stacked" aria-labelledby="gallery">
      <h2 id="gallery">{words.pictures.gallery}</h2>
      <ul className="gallery">
        {pictures.map((picture) => (
          <li key={picture.id}>
            <button type="button" aria-label={words.pictures.large(captionOf(picture, words))} onClick={() => setOpen(picture)}>
              <img loading="lazy" src={addressOf(code, picture.id, "small")} alt="" width={picture.width} height={picture.height} />
            </button>
            <span className="small">{captionOf(picture, words)}</span>
          </li>
        ))}
      </ul>
      {found.hasNextPage ? (
        <button type="button" className="plain" disabled={found.isFetching} onClick={() => void found.fetchNextPage()}>
          {found.isFetching ? words.common.loading : words.pictures.more}
        </button>
      ) : null}
      {open === null ? null : <Large code={code} picture={open} onClose={() => setOpen(null)} />}
    </section>
  );
}

/** One picture as large as the screen. */
function Large({ code, picture, onClose }: { readonly code: string; readonly picture: ShownPicture; readonly onClose: () => void }) {
  const words = useWords();
  const caption = captionOf(picture, words);
  const shown = useRef(false);
  return (
    <dialog
      className="large"
      aria-label={caption}
      ref={(dialog) => {
        if (!dialog || shown.current) return;
        shown.current = true;
        dialog.showModal();
      }}
      onClose={onClose}
    >
      <img src={addressOf(code, picture.id, "full")} alt={caption} width={picture.width} height={picture.height} />
      <form method="dialog" className="buttons">
        <span>{caption}</span>
        <button type="submit" className="plain">
          {words.pictures.close}
        </button>
      </form>
    </dialog>
  );
}

const captionOf = ({ alias, version, kind }: ShownPicture, { pictures: words }: ReturnType<typeof useWords>): string => {
  const by = words.by(alias, version);
  return kind === "sketch" ? words.ofSketch(by) : by;
};

const addressOf = (code: string, picture: string, form: "small" | "full"): string =>
  `/api/public/runs/${encodeURIComponent(code)}/pictures/${picture}/${form}`;
