import { h, type FunctionalComponent } from 'vue'
import { unbrokenParts } from '#core/units'

/** A sentence in which a number is never parted from its unit by the end of a line. */
const Unbroken: FunctionalComponent<{ text: string }> = ({ text }) =>
  unbrokenParts(text).map((part, i) => (i % 2 ? h('span', { class: 'whitespace-nowrap' }, part) : part))

Unbroken.props = ['text']

export default Unbroken
