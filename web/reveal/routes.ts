import type { RouteRecordRaw } from 'vue-router'

/** What the client sees and says. */
export const routes: RouteRecordRaw[] = [
  {
    path: 'client',
    name: 'client',
    component: () => import('./ClientPage.vue'),
    meta: { title: 'The client’s side', step: 'reveal' },
  },
]
