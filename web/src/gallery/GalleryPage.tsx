import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import { api, ask, problemsIn } from '../api/client';
import { catalogueQuery, galleryQuery } from '../api/queries';
import { useOnce } from '../api/once';
import type { Schemas } from '../api/types';
import { Problems } from '../ui/Notice';
import { familyWords } from '../ui/words';
import { say } from '../words/say';

const families = Object.keys(familyWords) as Schemas['GearFamily'][];

/** Worked examples, one or more for each job: opened, they are a mend like any other. */
export function GalleryPage() {
  const gallery = useQuery(galleryQuery);
  const catalogue = useQuery(catalogueQuery);
  const navigate = useNavigate();
  const queryClient = useQueryClient();
  const once = useOnce();
  const open = useMutation({
    mutationFn: (id: string) => ask(api.POST('/api/gallery/{id}', { params: { path: { id }, header: once(id) } })),
    onSuccess: async (mend) => {
      queryClient.setQueryData(['mend', mend.id], mend);
      void queryClient.invalidateQueries({ queryKey: ['bench'] });
      void queryClient.invalidateQueries({ queryKey: ['items'] });
      await navigate({ to: '/mends/$id/$stage', params: { id: String(mend.id), stage: 'look' } });
    },
  });
  const familyOf = (worked: Schemas['WorkedCase']) => catalogue.data?.constructions.find((each) => each.id === worked.construction)?.family;
  return (
    <div className="mx-auto max-w-[1500px] px-5 py-5">
      <h1 className="text-3xl">{say`Worked examples`}</h1>
      <p className="text-faint">{say`Each opens on the bench as a mend of its own, to be changed and run like any other.`}</p>
      <Problems problems={problemsIn(open.error)} />
      <div className="mt-3 gap-x-10 md:columns-2 lg:columns-3">
        {families.map((family) => {
          const cases = (gallery.data ?? []).filter((worked) => familyOf(worked) === family);
          return cases.length === 0 ? null : (
            <section key={family} className="mb-5 break-inside-avoid">
              <h2 className="border-b-2 border-ink text-xl">{familyWords[family]}</h2>
              <ul>
                {cases.map((worked) => (
                  <li key={worked.id} className="border-b border-line">
                    <button
                      type="button"
                      className="grid min-h-14 w-full grid-cols-[6.2rem_1fr] items-center text-left leading-tight hover:bg-sheet"
                      disabled={open.isPending}
                      onClick={() => open.mutate(worked.id)}
                    >
                      <span className="numeral text-xl">{worked.tag}</span>
                      <span className="font-medium">{worked.title}</span>
                    </button>
                  </li>
                ))}
              </ul>
            </section>
          );
        })}
      </div>
    </div>
  );
}
