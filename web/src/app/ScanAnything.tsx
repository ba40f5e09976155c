import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import { itemsQuery, shelfQuery } from '../api/queries';
import { lotIn, tagIn } from '../scan/address';
import { Scan } from '../scan/Scan';
import { say } from '../words/say';

/** Opens whatever a label is on, wherever one stands: the item with its mends, or the lot on the shelf. */
export function ScanAnything() {
  const navigate = useNavigate();
  const queryClient = useQueryClient();
  const opened = async (code: string) => {
    const [tag, name] = [tagIn(code), lotIn(code)];
    if ((await queryClient.query(itemsQuery)).some((item) => item.tag === tag)) {
      await navigate({ to: '/tags/$tag', params: { tag } });
      return null;
    }
    const shelf = await queryClient.query(shelfQuery);
    if ([...shelf.lots, ...shelf.gone].some((lot) => lot.name === name)) {
      await navigate({ to: '/shelf', search: { lot: name } });
      return null;
    }
    return say`Nothing here has this code: ${code}`;
  };
  return <Scan isSmall title={say`Scan a label`} onRead={opened} />;
}
