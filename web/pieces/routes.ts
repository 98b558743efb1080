import type { RouteRecordRaw } from 'vue-router'

/** One piece, with its candidates. */
export const routes: RouteRecordRaw[] = [
  {
    path: 'pieces/:pieceId',
    name: 'piece',
    component: () => import('./PiecePage.vue'),
    meta: { title: 'Pieces', step: 'pieces' },
  },
]
