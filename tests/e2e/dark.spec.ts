import { AxeBuilder } from '@axe-core/playwright';
import { testEveryView } from './everyView.ts';

// In the dark the colours change and nothing else does.
testEveryView('dark', (page) => new AxeBuilder({ page }).withRules(['color-contrast', 'link-in-text-block']));
