/** Lays out the place data: countries and cities that ship with the application. */
