import { testEveryView } from './everyView.ts';

testEveryView('light', (axe) => axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']));
