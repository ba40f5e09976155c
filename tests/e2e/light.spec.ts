import { AxeBuilder } from '@axe-core/playwright';
import { testEveryView } from './everyView.ts';

testEveryView('light', (page) => new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']));
