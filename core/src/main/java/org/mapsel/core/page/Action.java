package org.mapsel.core.page;

import java.util.Collections;
import java.util.Set;
import java.util.TreeSet;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** What one step of a reaction does. A step's slots say with what. */
public sealed interface Action {

  /** The slot for words to say or to ask. */
  String WORDS = "words";

  /** The slot for a value to set. */
  String VALUE = "value";

  /** The slot for an address. */
  String ADDRESS = "address";

  /** The names of the slots of such a step, besides its condition. */
  default Set<String> slotNames() {
    return Set.of();
  }

  /** Makes a call; whatever shows what it answers is drawn anew. */
  record MakeCall(CallId call) implements Action {}

  /** Puts a value into an input. */
  record SetInput(PartId input) implements Action {
    @Override
    public Set<String> slotNames() {
      return Set.of(VALUE);
    }
  }

  /** Empties a form: what was typed goes, what it starts with is there again. */
  record Clear(PartId form) implements Action {}

  /** Says something to the visitor. */
  record Say() implements Action {
    @Override
    public Set<String> slotNames() {
      return Set.of(WORDS);
    }
  }

  /** Asks the visitor; without a yes nothing further happens. */
  record Ask() implements Action {
    @Override
    public Set<String> slotNames() {
      return Set.of(WORDS);
    }
  }

  /** Goes to another page of the app; the slots are called like the page's arguments. */
  record GoTo(PageId page, Set<String> arguments) implements Action {
    public GoTo {
      arguments = Collections.unmodifiableSet(new TreeSet<>(arguments));
    }

    @Override
    public Set<String> slotNames() {
      return arguments;
    }
  }

  /** Goes back to the page that this one was opened from. */
  record GoBack() implements Action {}

  /** Opens an address outside. */
  record OpenAddress() implements Action {
    @Override
    public Set<String> slotNames() {
      return Set.of(ADDRESS);
    }
  }

  /** Does nothing further. */
  record Stop() implements Action {}
}
