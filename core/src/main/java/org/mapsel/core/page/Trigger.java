package org.mapsel.core.page;

import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;

/** What a reaction waits for. */
public sealed interface Trigger {

  /** The page is opened. */
  record Opened() implements Trigger {}

  /** A visitor comes back from a page that was opened from this one. */
  record CameBack() implements Trigger {}

  /** A button is pressed. */
  record Pressed(PartId button) implements Trigger {}

  /** A visitor has changed a value. */
  record Changed(PartId input) implements Trigger {}

  /** A row is chosen. */
  record RowChosen(PartId part) implements Trigger {}

  /** Time has passed while the page is looked at. */
  record Every(int seconds) implements Trigger {}

  /** A call was answered, whoever made it. */
  record Answered(CallId call) implements Trigger {}
}
