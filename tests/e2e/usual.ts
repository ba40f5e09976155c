import { ShopServer, usualClock, usualShop } from './server.ts';

/** Opens the shop that most tests begin with, once for all of them: its first start, which makes the demo data, takes longest. */
export default async function (): Promise<() => Promise<void>> {
  const server = new ShopServer();
  await server.start({ clock: usualClock });
  await server.kill();
  process.env[usualShop] = server.folder;
  return () => server.dispose();
}
