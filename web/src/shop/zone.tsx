import { createContext, use } from 'react';

const ZoneContext = createContext('Etc/UTC');

export const ZoneProvider = ZoneContext.Provider;

/** The shop's time zone: every clock time on the page is shown in it. */
export const useZone = () => use(ZoneContext);
