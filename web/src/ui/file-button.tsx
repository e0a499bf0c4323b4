import { useRef } from 'react';

/** A button that lets the owner choose a file; the same file may be chosen again. */
export function FileButton({
  label,
  accept,
  className,
  onFile,
  children,
}: {
  /** Name of what is chosen, for those who do not see the button's place. */
  label: string;
  accept: string;
  className: string;
  onFile: (file: File) => unknown;
  children: React.ReactNode;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" className={className} onClick={() => input.current?.click()}>
        {children}
      </button>
      <input
        ref={input}
        type="file"
        className="sr-only"
        tabIndex={-1}
        aria-label={label}
        accept={accept}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) onFile(file);
          e.target.value = '';
        }}
      />
    </>
  );
}
