/** XML Schema 1.0 documents to declarations. */
@NullMarked
package org.mapsel.core.read.xsd;

import org.jspecify.annotations.NullMarked;
