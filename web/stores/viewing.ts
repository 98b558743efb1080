import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { watchEffect } from 'vue'

export const grounds = ['light', 'mid', 'dark'] as const
export type Ground = (typeof grounds)[number]

/** How this person looks at things: the ground behind finishes, and what is folded away. */
export const useViewing = defineStore('viewing', () => {
  const ground = useLocalStorage<Ground>('bonitas.ground', 'light')
  const tagFolded = useLocalStorage('bonitas.tag-folded', false)
  const runFolded = useLocalStorage('bonitas.run-folded', false)
  watchEffect(() => {
    document.documentElement.dataset.ground = ground.value
  })
  const nextGround = (): void => {
    ground.value = grounds[(grounds.indexOf(ground.value) + 1) % grounds.length] ?? 'light'
  }
  return { ground, tagFolded, runFolded, nextGround }
})
