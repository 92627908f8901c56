import { screens, settingsScreen, type Screen } from './screens';
import { useIsHelper } from '../data/door';

const forHelpers = screens.filter(({ path }) => path === '/');

/** The screens that whoever looks may open. */
export function useScreens(): { readonly screens: readonly Screen[]; readonly settings: Screen | null } {
  const isHelper = useIsHelper();
  return isHelper ? { screens: forHelpers, settings: null } : { screens, settings: settingsScreen };
}
