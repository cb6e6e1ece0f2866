// Stands for the validator of the library's forms, 30 kB that no form here uses: a field checks itself and reports at its
// label (FormField.vue). Rules given to a form by mistake end here at once, and not as a form that accepts everything.
export default class NoValidator {
  constructor() {
    throw new Error('no-rules')
  }
}
