/** Who may come in: the password of the workspace, and what visitors may do without it. */
@NullMarked
package org.mapsel.server.entry;

import org.jspecify.annotations.NullMarked;
