import { Link } from '@tanstack/react-router';
import { say } from '../words/say';

export function NotThere() {
  return (
    <section className="mx-auto max-w-2xl p-8">
      <h1 className="text-3xl">{say`Page not found`}</h1>
      <p className="mt-3">
        {say`Check the address for a typing slip.`} <Link to="/" className="text-act underline">{say`Back to the bench`}</Link>
      </p>
    </section>
  );
}
