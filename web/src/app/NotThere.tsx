import { Link } from '@tanstack/react-router';

export function NotThere() {
  return (
    <section className="mx-auto max-w-2xl p-8">
      <h1 className="text-3xl">There is nothing here</h1>
      <p className="mt-3">
        The address may have a slip in it. <Link to="/" className="text-act underline">Back to the bench</Link>
      </p>
    </section>
  );
}
