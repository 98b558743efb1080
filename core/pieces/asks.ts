/** What each kind of thing is asked for, and what to look for where it is found. Common practice of the trade. */
import type { ThingKind } from '../makeover/choices.ts'

export const details = [
  'weightKg',
  'holds',
  'topMm',
  'front',
  'madeOf',
  'cleaning',
  'suits',
  'styles',
  'holes',
] as const
export type Detail = (typeof details)[number]
export type Asks = { readonly details: readonly Detail[]; readonly lookFor: readonly string[] }

export const asksOf: Readonly<Record<ThingKind, Asks>> = {
  seat: {
    details: ['topMm', 'madeOf', 'cleaning', 'weightKg', 'styles'],
    lookFor: [
      'Sit in it: the height of its seat, against the table or the sofa beside it',
      'A sound frame; stains and pilling do not matter where it is covered anew',
      'Second-hand: the fire label, pests, damp',
    ],
  },
  bed: {
    details: ['topMm', 'madeOf', 'weightKg', 'styles'],
    lookFor: ['How high the mattress lies, for the tables beside it', 'What it takes up when it is pulled out'],
  },
  table: {
    details: ['topMm', 'madeOf', 'cleaning', 'weightKg', 'styles'],
    lookFor: ['The height of its top, and of its apron, for knees', 'What its top stands: water, heat, food'],
  },
  storage: {
    details: ['holds', 'front', 'madeOf', 'weightKg', 'holes', 'styles'],
    lookFor: [
      'How much it holds, measured inside',
      'How far doors and drawers come out',
      'Whether its top can be fixed to the wall',
    ],
  },
  shelf: {
    details: ['holds', 'front', 'madeOf', 'weightKg', 'holes', 'styles'],
    lookFor: ['How much it holds, in metres', 'What its brackets carry, by the packet', 'The depth of the board'],
  },
  light: {
    details: ['topMm', 'madeOf', 'weightKg', 'holes', 'styles'],
    lookFor: [
      'How long its lead is, and where the next socket is',
      'The light of its lamp: kelvin and lumens',
      'A switch in reach of the pillow, where it stands beside a bed',
    ],
  },
  rug: {
    details: ['madeOf', 'cleaning', 'suits', 'weightKg'],
    lookFor: ['What the pile is made of, for who walks there', 'How it is cleaned', 'An underlay that holds it'],
  },
  curtain: {
    details: ['madeOf', 'cleaning', 'suits', 'holes'],
    lookFor: ['Cords, where children are', 'Fading: the face and the lining', 'How much cloth it takes, by its repeat'],
  },
  textile: {
    details: ['madeOf', 'cleaning', 'suits'],
    lookFor: ['Whether the next bed’s size is sold too', 'How it is washed', 'More of the same batch'],
  },
  mirror: {
    details: ['weightKg', 'holes', 'styles'],
    lookFor: [
      'Its weight, and how it hangs',
      'What it will face: it doubles that',
      'Large and leaned: its top is fixed',
    ],
  },
  work: {
    details: ['weightKg', 'holes', 'styles'],
    lookFor: [
      'Its size with the frame, and how far the wire drops',
      'Glass: against the sun and against reflections are two things',
      'What its mat is made of',
    ],
  },
  plant: {
    details: ['weightKg', 'suits', 'topMm'],
    lookFor: ['Whether it harms animals or small children', 'The light it needs', 'The day it comes in'],
  },
  fixture: {
    details: ['madeOf', 'suits', 'holes', 'styles'],
    lookFor: [
      'Its metal, beside the metals on the same basin',
      'Whether the holes that are there fit it',
      'Who fits it: water and wiring are for licensed trades',
    ],
  },
  appliance: {
    details: ['weightKg', 'suits', 'holds'],
    lookFor: ['Its size with the air it needs round it', 'The plug, the pipe, the load of its circuit'],
  },
  ornament: {
    details: ['madeOf', 'weightKg', 'styles'],
    lookFor: ['Small parts and batteries, where children are', 'Flames: away from cloth'],
  },
  material: {
    details: ['madeOf', 'suits', 'cleaning'],
    lookFor: ['All of it of one batch', 'What the tin or the roll says it covers', 'Whether opened packs go back'],
  },
  ['other']: {
    details: ['weightKg', 'holds', 'topMm', 'front', 'madeOf', 'cleaning', 'suits', 'styles', 'holes'],
    lookFor: [],
  },
}
