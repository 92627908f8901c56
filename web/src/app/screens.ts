import {
  mdiBookOpenVariantOutline,
  mdiCalendarWeekOutline,
  mdiCashMultiple,
  mdiCogOutline,
  mdiGiftOutline,
  mdiHelpCircleOutline,
  mdiLabelOutline,
  mdiCupboardOutline,
  mdiPotSteamOutline,
  mdiTicketOutline,
  mdiWeatherSunsetUp,
} from '@mdi/js';

/** One entry of the navigation, in the order of the work. */
export interface Screen {
  readonly path: string;
  readonly name: string;
  /** Goes there, wherever nothing is typed; empty for none. */
  readonly key: string;
  readonly icon: string;
  /** In the bottom bar of a phone: used standing up. */
  readonly standing: boolean;
}

export const screens: readonly Screen[] = [
  { path: '/', name: 'Today', key: '1', icon: mdiWeatherSunsetUp, standing: true },
  { path: '/orders', name: 'Orders', key: '2', icon: mdiTicketOutline, standing: false },
  { path: '/boxes', name: 'Boxes', key: '3', icon: mdiGiftOutline, standing: false },
  { path: '/recipes', name: 'Recipes', key: '4', icon: mdiBookOpenVariantOutline, standing: false },
  { path: '/pantry', name: 'Pantry', key: '5', icon: mdiCupboardOutline, standing: false },
  { path: '/plan', name: 'Plan', key: '6', icon: mdiCalendarWeekOutline, standing: true },
  { path: '/kitchen', name: 'Kitchen', key: '7', icon: mdiPotSteamOutline, standing: true },
  { path: '/labels', name: 'Labels', key: '8', icon: mdiLabelOutline, standing: true },
  { path: '/money', name: 'Money', key: '9', icon: mdiCashMultiple, standing: false },
];

export const settingsScreen: Screen = {
  path: '/settings',
  name: 'Settings',
  key: '0',
  icon: mdiCogOutline,
  standing: false,
};

export const manualScreen: Screen = {
  path: '/manual',
  name: 'Manual',
  key: '',
  icon: mdiHelpCircleOutline,
  standing: false,
};
