import { useId, useRef } from 'react';

interface ListFieldProps {
  readonly label: string;
  readonly text: string;
  readonly rows: number;
  /** The part of the text that is wrong. */
  readonly fault: { readonly from: number; readonly to: number } | undefined;
  readonly onText: (text: string) => void;
}

/** A list as text, with the entry that is wrong marked in it. */
export function ListField({ label, text, rows, fault, onText }: ListFieldProps) {
  const id = useId();
  const behind = useRef<HTMLPreElement>(null);
  const type = 'font-mono text-[12px] leading-[1.5] px-2 py-1.5 whitespace-pre-wrap break-words';
  return (
    <div>
      <label htmlFor={id} className="text-[13px] text-soft">
        {label}
      </label>
      <div className="relative mt-1 rounded-md border border-strong bg-sheet">
        <pre
          ref={behind}
          aria-hidden
          className={`absolute inset-0 m-0 overflow-hidden border-0 text-transparent ${type}`}
        >
          {fault ? (
            <>
              {text.slice(0, fault.from)}
              <mark className="rounded-xs bg-bad/25 text-transparent" data-list-fault>
                {text.slice(fault.from, fault.to) || ' '}
              </mark>
              {text.slice(fault.to)}
            </>
          ) : (
            text
          )}
        </pre>
        <textarea
          id={id}
          value={text}
          rows={rows}
          spellCheck={false}
          aria-invalid={fault !== undefined}
          onChange={(event) => onText(event.target.value)}
          onScroll={(event) => {
            behind.current!.scrollTop = event.currentTarget.scrollTop;
          }}
          className={`relative block w-full resize-y border-0 bg-transparent outline-offset-0 ${type}`}
        />
      </div>
    </div>
  );
}
