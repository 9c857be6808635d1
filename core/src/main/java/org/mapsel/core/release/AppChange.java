package org.mapsel.core.release;

import java.util.Optional;
import org.mapsel.core.ref.PageId;

/**
 * One thing that differs between two versions of an app.
 *
 * @param page the page it is on; nothing for what belongs to the app as a whole
 * @param where the page or place, as people call it
 * @param words what happened there
 */
public record AppChange(Optional<PageId> page, String where, String words) {}
