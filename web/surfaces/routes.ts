import type { RouteRecordRaw } from 'vue-router'

/** The other half of the surfaces: what hangs before the windows, and what is made. */
export const routes: RouteRecordRaw[] = [
  {
    path: 'surfaces/windows',
    name: 'windows',
    component: () => import('./windows/WindowsPage.vue'),
    meta: { title: 'Windows', step: 'surfaces' },
  },
  {
    path: 'surfaces/made',
    name: 'made-things',
    component: () => import('./made/MadePage.vue'),
    meta: { title: 'Sewn, framed, made', step: 'surfaces' },
  },
]
