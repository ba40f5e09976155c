import { say } from '../words/say';

/** Stands where a page will stand whose code has not come yet. */
export function OnItsWay() {
  return (
    <p role="status" className="p-8 text-xl">
      {say`The page is on its way. Where the server does not answer it comes by itself once that is back.`}
    </p>
  );
}
