import { practice } from '../marks'

export const weighing = { young: practice(30, 'days'), adult: practice(60, 'days'), cold: practice(21, 'days') }
