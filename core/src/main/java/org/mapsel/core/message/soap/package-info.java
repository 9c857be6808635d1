/** SOAP 1.1 and 1.2 messages over the shape model: values to envelopes and envelopes to values. */
@NullMarked
package org.mapsel.core.message.soap;

import org.jspecify.annotations.NullMarked;
