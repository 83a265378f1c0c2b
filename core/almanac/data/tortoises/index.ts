import { hermannsTortoise } from './hermanns-tortoise'
import { greekTortoise } from './greek-tortoise'
import { marginatedTortoise } from './marginated-tortoise'
import { horsfieldsTortoise } from './horsfields-tortoise'
import { radiatedTortoise } from './radiated-tortoise'
import { africanSpurredTortoise } from './african-spurred-tortoise'
import { redFootedTortoise } from './red-footed-tortoise'
import { carolinaBoxTurtle } from './carolina-box-turtle'

/** Those with a sheet of their own. */
export const tortoises = [hermannsTortoise]

/** Those that borrow from a relative what is not known of them, and types. */
export const moreTortoises = [
  greekTortoise,
  marginatedTortoise,
  horsfieldsTortoise,
  radiatedTortoise,
  africanSpurredTortoise,
  redFootedTortoise,
  carolinaBoxTurtle,
]
