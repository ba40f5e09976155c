import { useState } from 'react';
import type { Catalogue, Schemas } from '../api/types';
import { Button } from '../ui/Button';
import { MeasureField } from '../ui/MeasureField';
import { labelFields, newProduct, withField, type Material } from './product';
import { say } from '../words/say';

type Settings = Schemas['ShopSettings'];

interface Props {
  mine: Settings;
  setMine: (settings: Settings) => void;
  catalogue: Catalogue;
}

/** The shop's own products: begun from the generic material that they are like, then set to what the label says. */
export function Products({ mine, setMine, catalogue }: Props) {
  const products = mine.products ?? [];
  const kinds = catalogue.materials.filter((material) => material.label);
  const [like, setLike] = useState(kinds[0]?.id ?? '');
  const [name, setName] = useState('');
  const set = (next: Material[]) => setMine({ ...mine, products: next });
  const add = () => {
    const pattern = kinds.find((material) => material.id === like);
    if (!pattern || name.trim() === '') return;
    const product = newProduct(
      pattern,
      name.trim(),
      [...catalogue.materials, ...products].map((material) => material.id),
    );
    setMine({ ...mine, products: [...products, product], shelf: mine.shelf ? [...mine.shelf, { material: product.id, useBefore: null }] : mine.shelf });
    setName('');
  };
  const field = 'h-11 w-full rounded-sm border-2 border-line bg-sheet px-3';
  return (
    <section className="lg:col-span-2" aria-label={say`Your own products`}>
      <h2 className="text-xl">{say`Your own products`}</h2>
      <p className="text-faint">{say`Start from a similar product, then enter what the label says. It is matched as soon as you save.`}</p>
      <div className="mt-2 grid items-end gap-3 sm:grid-cols-[1fr_1fr_auto]">
        <label>
          <span className="lettering block">{say`Similar to`}</span>
          <select className={field} value={like} onChange={(event) => setLike(event.target.value)}>
            {kinds.map((material) => (
              <option key={material.id} value={material.id}>
                {material.name}
              </option>
            ))}
          </select>
        </label>
        <label>
          <span className="lettering block">{say`Product name`}</span>
          <input className={field} value={name} maxLength={120} onChange={(event) => setName(event.target.value)} />
        </label>
        <Button onClick={add} disabled={name.trim() === ''}>{say`Add the product`}</Button>
      </div>
      {products.map((product, i) => (
        <Label
          key={product.id}
          product={product}
          onChange={(next) => set(products.map((each, at) => (at === i ? next : each)))}
          onRemove={() =>
            setMine({
              ...mine,
              products: products.filter((each) => each !== product),
              shelf: mine.shelf?.filter((entry) => entry.material !== product.id) ?? null,
            })
          }
        />
      ))}
    </section>
  );
}

function Label({ product, onChange, onRemove }: { product: Material; onChange: (next: Material) => void; onRemove: () => void }) {
  return (
    <fieldset className="mt-4 border-2 border-ink bg-sheet p-4">
      <legend className="px-2 text-lg font-bold">{product.name}</legend>
      <div className="grid gap-x-5 gap-y-3 sm:grid-cols-3 lg:grid-cols-5">
        {labelFields(product).map((field) => (
          <MeasureField
            key={field.path}
            label={field.words}
            path={`products[].${field.path}`}
            value={field.value}
            step={field.step}
            onChange={(value) => onChange(withField(product, field.path, value))}
          />
        ))}
      </div>
      <div className="mt-3">
        <Button onClick={onRemove}>{say`Remove from the list`}</Button>
      </div>
    </fieldset>
  );
}
