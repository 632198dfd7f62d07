const names = new Intl.DisplayNames('en', { type: 'currency' });

/** For choosing a currency. */
export const currencyItems = Intl.supportedValuesOf('currency').map((value) => ({ value, name: `${value}, ${names.of(value) ?? value}` }));
