/** What one opens lies over what the house tells (100), or a button under it cannot be pressed. */
const OVER_TOASTS = 'z-110'

export default defineAppConfig({
  ui: {
    colors: { primary: 'clay', neutral: 'stone', error: 'red', warning: 'amber', success: 'moss' },
    button: { slots: { base: 'rounded font-medium min-h-11 sm:min-h-9' } },
    input: { slots: { base: 'rounded min-h-11 sm:min-h-9' } },
    inputDate: { slots: { base: 'rounded min-h-11 sm:min-h-9' } },
    inputNumber: { slots: { base: 'rounded min-h-11 sm:min-h-9' } },
    // what records it stays in reach on a low window too
    popover: { slots: { content: `${OVER_TOASTS} max-h-(--reka-popover-content-available-height) overflow-y-auto` } },
    select: { slots: { base: 'rounded min-h-11 sm:min-h-9', content: OVER_TOASTS } },
    selectMenu: { slots: { base: 'rounded min-h-11 sm:min-h-9', content: OVER_TOASTS } },
    toast: { slots: { root: 'toast-lasts' } },
    toaster: { slots: { viewport: 'mb-28 sm:mb-14' } },
  },
})
