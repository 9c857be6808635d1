package org.mapsel.server.apps;

import java.util.Optional;
import org.mapsel.core.page.App;

/** An app at its head, and the edits that undo and redo would touch. */
public record KeptApp(
    String id, long version, App app, Optional<String> undoTitle, Optional<String> redoTitle) {}
