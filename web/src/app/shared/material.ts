import type { Provider } from '@angular/core';
import { ErrorStateMatcher, ShowOnDirtyErrorStateMatcher } from '@angular/material/core';
import { MAT_FORM_FIELD_DEFAULT_OPTIONS, type MatFormFieldDefaultOptions } from '@angular/material/form-field';

const FIELDS: MatFormFieldDefaultOptions = { appearance: 'outline', subscriptSizing: 'dynamic', hideRequiredMarker: true };

/** How Material's fields behave in this house: outlined, no empty line below, and what is wrong is said as soon as somebody has typed. */
export const provideMaterial = (): Provider[] => [
  { provide: MAT_FORM_FIELD_DEFAULT_OPTIONS, useValue: FIELDS },
  { provide: ErrorStateMatcher, useClass: ShowOnDirtyErrorStateMatcher },
];
