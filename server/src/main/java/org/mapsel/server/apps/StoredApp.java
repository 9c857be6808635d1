package org.mapsel.server.apps;

import java.time.OffsetDateTime;
import java.util.Optional;
import org.mapsel.core.page.App;

/**
 * An app at its head, and the edits that undo and redo would touch.
 *
 * @param changedAt when the edit at its head was made
 */
public record StoredApp(
    String id,
    long version,
    App app,
    OffsetDateTime changedAt,
    Optional<String> undoTitle,
    Optional<String> redoTitle) {}
