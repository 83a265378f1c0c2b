export default defineAppConfig({
  ui: {
    colors: { primary: 'clay', neutral: 'stone', error: 'red', warning: 'amber', success: 'moss' },
    button: { slots: { base: 'rounded font-medium min-h-11 sm:min-h-9' } },
    input: { slots: { base: 'rounded min-h-11 sm:min-h-9' } },
    inputDate: { slots: { base: 'rounded min-h-11 sm:min-h-9' } },
    inputNumber: { slots: { base: 'rounded min-h-11 sm:min-h-9' } },
    select: { slots: { base: 'rounded min-h-11 sm:min-h-9' } },
    selectMenu: { slots: { base: 'rounded min-h-11 sm:min-h-9' } },
    toaster: { slots: { viewport: 'mb-28 sm:mb-14' } },
  },
})
