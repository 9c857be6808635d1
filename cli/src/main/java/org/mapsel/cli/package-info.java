/** The command line over the core; needs neither server nor database. */
@NullMarked
package org.mapsel.cli;

import org.jspecify.annotations.NullMarked;
