// What a labelled field gives the control inside it: the id its label points at, and the label's own id.
import type { InjectionKey } from 'vue'

export interface FieldContext {
  id: string
  labelId: string
}
export const FIELD: InjectionKey<FieldContext> = Symbol('field')
