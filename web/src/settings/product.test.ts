import { describe, expect, it } from 'vitest';
import { labelFields, newProduct, withField, type Material } from './product';

const cement = {
  id: 'cement',
  name: 'Cement',
  role: 'cement',
  chemistry: 'vinyl',
  source: 'x',
  densityGPerMl: 0.9,
  skill: 1,
  cost: 1,
  hazards: [],
  bondsTo: ['pvc'],
  airInhibited: false,
  label: {
    referenceC: 20,
    potLifeMin: null,
    tackOpensMin: 3,
    tackClosesMin: 9,
    loadableMin: 1440,
    fullMin: 2880,
    minimumC: 10,
    maximumC: 35,
    maximumHumidityPercent: 85,
  },
} as unknown as Material;

describe('a product from its label', () => {
  it('asks for what labels of its kind give, and for nothing else', () => {
    const asked = labelFields(cement).map((field) => field.words);
    expect(asked).toContain('Tack opens');
    expect(asked).not.toContain('Parts of A');
    expect(asked).not.toContain('Pot life');
  });

  it('changes one number and leaves the pattern alone', () => {
    const slower = withField(cement, 'label.tackOpensMin', 8);
    expect(slower.label?.tackOpensMin).toBe(8);
    expect(slower.label?.loadableMin).toBe(1440);
    expect(cement.label?.tackOpensMin).toBe(3);
    expect(withField(cement, 'densityGPerMl', 1.1).densityGPerMl).toBe(1.1);
  });

  it('gets an identifier of its own, made of small letters, digits and hyphens', () => {
    expect(newProduct(cement, 'Workshop Cement No. 2', []).id).toBe('own-workshop-cement-no-2');
    expect(newProduct(cement, 'Workshop Cement No. 2', ['own-workshop-cement-no-2']).id).toBe('own-workshop-cement-no-2-2');
    expect(newProduct(cement, '…', []).id).toBe('own-own-product');
  });

  it('keeps the chemistry that the rules go by', () => {
    expect(newProduct(cement, 'Mine', [])).toMatchObject({ chemistry: 'vinyl', bondsTo: ['pvc'], source: "The shop's own label." });
  });
});
