import type { RouteRecordRaw } from 'vue-router'

/** What the studio is paid, and what the client gives. */
export const routes: RouteRecordRaw[] = [
  {
    path: 'purchases/account',
    name: 'account',
    component: () => import('./AccountPage.vue'),
    meta: { title: 'Fees and client money', step: 'purchases' },
  },
]
