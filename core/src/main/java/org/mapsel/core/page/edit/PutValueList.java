package org.mapsel.core.page.edit;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.model.Choice;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.ValueList;
import org.mapsel.core.page.App;
import org.mapsel.core.ref.ListId;

/**
 * Adds a value list, or changes the one with the id.
 *
 * @param list nothing for a new one
 * @param words the field that it gives the words of from now on, if it was made for one
 */
public record PutValueList(
    Optional<ListId> list, String name, List<Choice> items, Optional<FieldRef> words)
    implements AppEdit {

  private static final int MOST = 10_000;

  public PutValueList {
    items = List.copyOf(items);
  }

  @Override
  public String title() {
    return "Write the value list " + name;
  }

  @Override
  public App apply(Editing editing) {
    String checked = Editing.name(name);
    Model model = editing.app().model();
    if (items.size() > MOST) {
      throw new EditRefused(Finding.error("MODEL_LIST_TOO_LONG", "limit", String.valueOf(MOST)));
    }
    Set<String> codes = new HashSet<>();
    for (Choice item : items) {
      if (!codes.add(item.code())) {
        throw new EditRefused(Finding.error("MODEL_CODE_TWICE", "code", item.code()));
      }
    }
    if (list.isPresent() && model.list(list.get()).isEmpty()) {
      throw new EditRefused(Finding.error("MODEL_LIST_MISSING", "list", list.get().text()));
    }
    ListId id = list.orElseGet(() -> new ListId(editing.ids().next(checked)));
    App app = editing.app().with(model.with(new ValueList(id, checked, items)));
    return words.map(field -> giveWords(editing.after(app), field, id)).orElse(app);
  }

  private static App giveWords(Editing editing, FieldRef field, ListId list) {
    Overrides set = editing.app().model().set(field).withList(Optional.of(list));
    return new SetModelField(field, Optional.empty(), Optional.empty(), set).apply(editing);
  }
}
