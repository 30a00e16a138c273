import { createRouter, createWebHistory } from 'vue-router'

export interface Room {
  name: string
  label: string
  key: string
}

/** Rooms keep their numbers; those that are still to be built have none here. */
export const rooms: Room[] = [
  { name: 'roll', label: 'Roll', key: '1' },
  { name: 'build', label: 'Build', key: '2' },
  { name: 'colour', label: 'Colour', key: '3' },
  { name: 'recipes', label: 'Recipes', key: '4' },
  { name: 'plan', label: 'Plan', key: '5' },
  { name: 'bench', label: 'Bench', key: '6' },
  { name: 'supplies', label: 'Supplies', key: '7' },
]

export const router = createRouter({
  history: createWebHistory('/'),
  routes: [
    { path: '/', name: 'door', component: () => import('./rooms/door/Door.vue') },
    { path: '/musters', name: 'musters', component: () => import('./rooms/door/Musters.vue') },
    { path: '/parts', name: 'parts', component: () => import('./rooms/parts/Parts.vue') },
    { path: '/begin', name: 'begin', component: () => import('./rooms/begin/Begin.vue') },
    { path: '/:id(\\d+)/roll', name: 'roll', component: () => import('./rooms/roll/Roll.vue') },
    { path: '/:id(\\d+)/build', name: 'build', component: () => import('./rooms/build/Build.vue') },
    {
      path: '/:id(\\d+)/recipes',
      name: 'recipes',
      component: () => import('./rooms/recipes/Recipes.vue'),
    },
    {
      path: '/:id(\\d+)/colour',
      name: 'colour',
      component: () => import('./rooms/colour/Colour.vue'),
    },
    {
      path: '/:id(\\d+)/supplies',
      name: 'supplies',
      component: () => import('./rooms/supplies/Supplies.vue'),
    },
    { path: '/:id(\\d+)/house', name: 'house', component: () => import('./rooms/house/House.vue') },
    { path: '/:id(\\d+)/plan', name: 'plan', component: () => import('./rooms/plan/Plan.vue') },
    { path: '/:id(\\d+)/bench', name: 'bench', component: () => import('./rooms/bench/Bench.vue') },
    {
      path: '/paint/:paint(\\d+)',
      name: 'paint',
      component: () => import('./rooms/colour/PaintLabel.vue'),
    },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./rooms/door/Nowhere.vue') },
  ],
})
