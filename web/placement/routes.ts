import type { RouteRecordRaw } from 'vue-router'

/** What hangs on the walls, by what light, and what stands on shelves. */
export const routes: RouteRecordRaw[] = [
  {
    path: 'placement/walls',
    name: 'walls',
    component: () => import('./WallsPage.vue'),
    meta: { title: 'On the walls', step: 'placement' },
  },
  {
    path: 'placement/light',
    name: 'light',
    component: () => import('./light/LightPage.vue'),
    meta: { title: 'By what light', step: 'placement' },
  },
  {
    path: 'placement/shelves',
    name: 'shelves',
    component: () => import('./shelves/ShelvesPage.vue'),
    meta: { title: 'On shelves', step: 'placement' },
  },
]
