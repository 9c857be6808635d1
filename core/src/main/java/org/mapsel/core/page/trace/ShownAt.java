package org.mapsel.core.page.trace;

import java.util.Optional;
import org.mapsel.core.ref.PartId;

/**
 * Where on a page something is seen.
 *
 * @param item the column or field of the part; nothing if it is the part itself
 * @param row the number of the row in the answer, from 0; nothing where there are no rows
 */
public record ShownAt(PartId part, Optional<PartId> item, Optional<Integer> row) {}
