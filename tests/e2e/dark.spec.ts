import { testEveryView } from './everyView.ts';

// In the dark the colours change and nothing else does.
testEveryView('dark', (axe) => axe.withRules(['color-contrast', 'link-in-text-block']));
