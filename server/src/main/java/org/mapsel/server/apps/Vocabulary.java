package org.mapsel.server.apps;

import org.mapsel.core.page.App;
import org.mapsel.core.page.edit.AppEdit;
import org.mapsel.core.page.edit.RefusePair;
import org.mapsel.core.page.edit.Together;
import org.mapsel.core.page.offer.AcceptedPairs;
import org.mapsel.core.pairing.LearnedWords;
import org.mapsel.core.pairing.Lexicon;
import org.springframework.stereotype.Component;

/** The words by which fields are paired: those that are shipped, and what people here accepted. */
@Component
class Vocabulary {

  private final VocabularyStore store;

  Vocabulary(VocabularyStore store) {
    this.store = store;
  }

  Lexicon lexicon() {
    var learned = store.all();
    return learned.isEmpty() ? Lexicon.shipped() : Lexicon.with(learned);
  }

  /** Learns from an edit: of pairs that were accepted, and of those that were taken out. */
  void learn(AppEdit edit, App before, App after) {
    AcceptedPairs.between(before, after)
        .forEach(
            names ->
                LearnedWords.of(names.parameter(), names.given(), Lexicon.shipped())
                    .ifPresent(store::add));
    unlearn(edit);
  }

  private void unlearn(AppEdit edit) {
    switch (edit) {
      case Together together -> together.edits().forEach(this::unlearn);
      case RefusePair refused ->
          LearnedWords.of(refused.parameter().last(), refused.given().last(), Lexicon.shipped())
              .ifPresent(store::remove);
      default -> {
        // Only what is taken out says that words do not mean the same.
      }
    }
  }
}
