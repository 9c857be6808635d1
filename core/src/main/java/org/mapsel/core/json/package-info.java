/** Values as JSON, the form they have in the API, in samples and on the command line. */
@NullMarked
package org.mapsel.core.json;

import org.jspecify.annotations.NullMarked;
