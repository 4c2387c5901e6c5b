import { useEffect, useState } from "react";

/** The size of a picture, points; null until it is known. */
export function useImageSize(src: string): { readonly width: number; readonly height: number } | null {
  const [size, setSize] = useState<{ readonly width: number; readonly height: number } | null>(null);
  useEffect(() => {
    const image = new Image();
    image.onload = () => setSize({ width: image.naturalWidth, height: image.naturalHeight });
    image.src = src;
    return () => {
      image.onload = null;
    };
  }, [src]);
  return size;
}
