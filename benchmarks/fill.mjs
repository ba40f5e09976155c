// Puts running mends onto a server's bench, from the worked cases in turn, until there are so many.
const [base, wanted] = [process.argv[2], Number(process.argv[3])];
const ask = async (path, init) => {
  const answer = await fetch(base + path, { ...init, headers: { 'Content-Type': 'application/json', ...init?.headers } });
  return answer.ok ? answer.json() : null;
};
const gallery = await ask('/api/gallery');
let running = (await ask('/api/bench')).entries.length;
for (let i = 0; running < wanted && i < 10 * wanted; i++) {
  const mend = await ask(`/api/gallery/${gallery[i % gallery.length].id}`, { method: 'POST' });
  const started = mend && (await ask(`/api/mends/${mend.id}/start`, { method: 'POST', headers: { 'If-Match': String(mend.version) } }));
  if (started?.status === 'running') running++;
}
console.log(running);
