"use client";

import { useRef } from "react";

/** One touch to the camera. */
export function PhotoButton({
  of,
  className,
  onPhoto,
}: {
  /** What it will be a photo of. */
  of: string;
  className: string;
  onPhoto: (photo: File) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" onClick={() => input.current?.click()} className={className}>
        Photo
      </button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        aria-label={of}
        onChange={({ target }) => {
          const [photo] = target.files ?? [];
          if (photo) onPhoto(photo);
          target.value = "";
        }}
      />
    </>
  );
}
