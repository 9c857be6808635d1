package org.mapsel.core.page.offer;

import org.mapsel.core.mapping.Source;
import org.mapsel.core.value.Value;

/**
 * A source that fits a slot.
 *
 * @param group where it comes from, in words
 * @param note what would be lost or may fail, empty if nothing
 */
public record Offer(Source source, String group, String words, Value value, String note) {}
