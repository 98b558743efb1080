import type { RouteRecordRaw } from 'vue-router'

/** What comes to the site, and the day on which all is carried in. */
export const routes: RouteRecordRaw[] = [
  {
    path: 'calendar/deliveries',
    name: 'deliveries',
    component: () => import('./DeliveriesPage.vue'),
    meta: { title: 'Deliveries', step: 'calendar' },
  },
  {
    path: 'calendar/install-day',
    name: 'install-day',
    component: () => import('./InstallPage.vue'),
    meta: { title: 'Install day', step: 'calendar' },
  },
]
