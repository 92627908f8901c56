import {
  mdiBookOpenVariantOutline,
  mdiCalendarWeekOutline,
  mdiCashMultiple,
  mdiCogOutline,
  mdiGiftOutline,
  mdiLabelOutline,
  mdiPotSteamOutline,
  mdiTicketOutline,
  mdiWeatherSunsetUp,
} from '@mdi/js';

/** One entry of the navigation, in the order of the work. */
export interface Screen {
  readonly path: string;
  readonly name: string;
  /** Pressed after `g`. */
  readonly key: string;
  readonly icon: string;
  /** In the bottom bar of a phone: used standing up. */
  readonly standing: boolean;
}

export const screens: readonly Screen[] = [
  { path: '/', name: 'Today', key: 't', icon: mdiWeatherSunsetUp, standing: true },
  { path: '/orders', name: 'Orders', key: 'o', icon: mdiTicketOutline, standing: true },
  { path: '/boxes', name: 'Boxes', key: 'b', icon: mdiGiftOutline, standing: false },
  { path: '/recipes', name: 'Recipes', key: 'r', icon: mdiBookOpenVariantOutline, standing: false },
  { path: '/pantry', name: 'Pantry', key: 'p', icon: mdiPotSteamOutline, standing: false },
  { path: '/plan', name: 'Plan', key: 'l', icon: mdiCalendarWeekOutline, standing: true },
  { path: '/labels', name: 'Labels', key: 'a', icon: mdiLabelOutline, standing: true },
  { path: '/money', name: 'Money', key: 'm', icon: mdiCashMultiple, standing: false },
];

export const settingsScreen: Screen = {
  path: '/settings',
  name: 'Settings',
  key: 's',
  icon: mdiCogOutline,
  standing: false,
};
