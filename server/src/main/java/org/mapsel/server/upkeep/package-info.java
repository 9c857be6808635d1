/** What the workspace keeps, how much of it that is, and letting go what is of no use any more. */
@NullMarked
package org.mapsel.server.upkeep;

import org.jspecify.annotations.NullMarked;
