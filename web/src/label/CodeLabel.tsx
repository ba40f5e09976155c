import { QRCodeSVG } from 'qrcode.react';
import { say } from '../words/say';

interface Props {
  /** The address that its code opens. */
  code: string;
  name: string;
  lines: readonly (string | null | undefined)[];
}

/** A label to cut out, with the code that opens what it is on. It stands on paper, which is white in a dark room too. */
export function CodeLabel({ code, name, lines: [first, ...rest] }: Props) {
  return (
    <li className="flex break-inside-avoid items-center gap-4 border-2 border-dashed border-ink bg-white p-3 text-black">
      <QRCodeSVG value={code} size={104} level="M" title={say`Code of ${name}`} className="shrink-0" />
      <span className="min-w-0 leading-tight">
        <span className="numeral block text-3xl">{name}</span>
        <span className="block font-semibold">{first}</span>
        {rest.filter(Boolean).map((line) => (
          <span key={line} className="block">
            {line}
          </span>
        ))}
      </span>
    </li>
  );
}
