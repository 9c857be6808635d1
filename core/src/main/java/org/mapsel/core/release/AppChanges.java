package org.mapsel.core.release;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.ModelField;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.model.ValueList;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Item;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.Reaction;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** Says in words what differs between two versions of an app. */
public final class AppChanges {

  private final App was;
  private final App is;
  private final List<AppChange> changes = new ArrayList<>();

  private AppChanges(App was, App is) {
    this.was = was;
    this.is = is;
  }

  /**
   * Everything that differs: the app as a whole first, then its pages in their order.
   *
   * @return nothing if visitors would not notice any difference
   */
  public static List<AppChange> between(App was, App is) {
    AppChanges found = new AppChanges(was, is);
    found.app();
    found.services();
    found.model();
    found.pages();
    return List.copyOf(found.changes);
  }

  private void app() {
    if (!was.name().equals(is.name())) {
      add("App", "renamed from " + was.name() + " to " + is.name());
    }
    if (!was.start().equals(is.start())) {
      add("Start page", "arranged anew");
    }
  }

  private void services() {
    for (App.ServiceUse use : is.services()) {
      Optional<String> before = was.edition(use.service());
      if (before.isEmpty()) {
        add("Services", use.service() + " is used now");
      } else if (!before.get().equals(use.edition())) {
        add("Services", use.service() + " is used in another edition");
      }
    }
    for (App.ServiceUse use : was.services()) {
      if (is.edition(use.service()).isEmpty()) {
        add("Services", use.service() + " is not used any more");
      }
    }
  }

  private void model() {
    each(
        was.model().types(),
        is.model().types(),
        RecordType::id,
        type -> add("Model", type.name() + " is new"),
        type -> add("Model", type.name() + " is gone"),
        this::type);
    each(
        was.model().lists(),
        is.model().lists(),
        ValueList::id,
        list -> add("Model", "the value list " + list.name() + " is new"),
        list -> add("Model", "the value list " + list.name() + " is gone"),
        (before, after) -> add("Model", "the value list " + after.name() + " has other words"));
  }

  private void type(RecordType before, RecordType after) {
    if (!before.name().equals(after.name())) {
      add("Model", before.name() + " is called " + after.name());
    }
    if (!before.shapes().equals(after.shapes())) {
      add("Model", after.name() + " stands for other types of the services");
    }
    Set<String> fields = new LinkedHashSet<>();
    each(
        before.fields(),
        after.fields(),
        ModelField::name,
        field -> fields.add(field.name()),
        field -> fields.add(field.name()),
        (one, other) -> fields.add(other.name()));
    fields.forEach(field -> add("Model", after.name() + ": " + field + " is shown differently"));
    each(
        before.derived(),
        after.derived(),
        DerivedField::name,
        field -> add("Model", after.name() + ": " + field.name() + " is derived now"),
        field -> add("Model", after.name() + ": " + field.name() + " is not derived any more"),
        (one, other) ->
            add("Model", after.name() + ": " + other.name() + " is derived in another way"));
  }

  private void pages() {
    each(
        was.pages(),
        is.pages(),
        Page::id,
        page -> add(page, "new page"),
        page -> add(page, "page removed"),
        this::page);
    List<PageId> before = common(was.pages(), is.pages());
    List<PageId> after = common(is.pages(), was.pages());
    if (!before.equals(after)) {
      add("Pages", "in another order");
    }
  }

  private static List<PageId> common(List<Page> pages, List<Page> others) {
    Set<PageId> known = new HashSet<>();
    others.forEach(page -> known.add(page.id()));
    return pages.stream().map(Page::id).filter(known::contains).toList();
  }

  private void page(Page before, Page after) {
    if (!before.name().equals(after.name())) {
      add(after, "renamed from " + before.name());
    }
    if (!before.arguments().equals(after.arguments())) {
      add(after, "opened with something else");
    }
    each(
        before.parts(),
        after.parts(),
        Part::id,
        part -> add(after, name(part) + " added"),
        part -> add(after, name(part) + " removed"),
        (one, other) -> part(after, one, other));
    List<PartId> order = before.parts().stream().map(Part::id).toList();
    List<PartId> now = after.parts().stream().map(Part::id).toList();
    if (!order.equals(now) && Set.copyOf(order).equals(Set.copyOf(now))) {
      add(after, "parts in another order");
    }
    each(
        before.calls(),
        after.calls(),
        Call::id,
        call -> add(after, "calls " + call.operation() + " now"),
        call -> add(after, "does not call " + call.operation() + " any more"),
        (one, other) -> call(after, one, other));
    each(
        before.reactions(),
        after.reactions(),
        Reaction::id,
        reaction -> add(after, "something more happens (" + steps(reaction) + ")"),
        reaction -> add(after, "something happens no more (" + steps(reaction) + ")"),
        (one, other) -> add(after, "something else happens (" + steps(other) + ")"));
  }

  private static String steps(Reaction reaction) {
    int count = reaction.steps().size() + reaction.failure().size();
    return count == 1 ? "1 step" : count + " steps";
  }

  private void part(Page page, Part before, Part after) {
    if (before.getClass() != after.getClass()) {
      add(page, name(before) + " is a " + kind(after) + " now");
    }
    if (!before.slots().equals(after.slots())) {
      add(page, name(after) + " has other words or another source");
    }
    if (!before.frame().equals(after.frame())) {
      add(page, name(after) + " has other settings");
    }
    each(
        before.items(),
        after.items(),
        Item::id,
        item -> add(page, name(after) + ": " + name(item) + " added"),
        item -> add(page, name(after) + ": " + name(item) + " removed"),
        (one, other) ->
            add(
                page,
                name(after)
                    + ": "
                    + name(other)
                    + (one.slots().equals(other.slots())
                        ? " is shown differently"
                        : " is filled from something else")));
  }

  private void call(Page page, Call before, Call after) {
    if (!before.endpoint().equals(after.endpoint())) {
      add(page, after.operation() + " is called at another endpoint");
    }
    each(
        before.parameters(),
        after.parameters(),
        Call.Parameter::path,
        one -> add(page, after.operation() + ": " + one.path() + " is filled now"),
        one -> add(page, after.operation() + ": " + one.path() + " is left out now"),
        (one, other) ->
            add(page, after.operation() + ": " + other.path() + " is filled from something else"));
  }

  private static String kind(Part part) {
    return part.getClass().getSimpleName().toLowerCase(Locale.ROOT);
  }

  private static String name(Part part) {
    return part.heading()
        .map(Mapping::source)
        .filter(Source.Fixed.class::isInstance)
        .map(source -> kind(part) + " “" + ((Source.Fixed) source).text() + "”")
        .orElseGet(() -> kind(part));
  }

  private static String name(Item item) {
    return item.only()
        .label()
        .orElseGet(
            () ->
                item.mapping()
                    .map(Mapping::source)
                    .flatMap(AppChanges::field)
                    .orElse(item.id().text()));
  }

  private static Optional<String> field(Source source) {
    return switch (source) {
      case Source.Row row -> Optional.of(row.path().toString());
      case Source.Returned returned -> Optional.of(returned.path().toString());
      case Source.Derived derived -> Optional.of(derived.field());
      default -> Optional.empty();
    };
  }

  private void add(String where, String words) {
    changes.add(new AppChange(Optional.empty(), where, words));
  }

  private void add(Page page, String words) {
    changes.add(new AppChange(Optional.of(page.id()), page.name(), words));
  }

  /** Tells of what is new, gone and different, each thing known by its key. */
  private static <T> void each(
      List<? extends T> before,
      List<? extends T> after,
      Function<T, Object> key,
      Consumer<T> added,
      Consumer<T> removed,
      BiConsumer<T, T> changed) {
    Map<Object, T> old = new HashMap<>();
    before.forEach(one -> old.put(key.apply(one), one));
    Set<Object> met = new HashSet<>();
    for (T one : after) {
      Object id = key.apply(one);
      met.add(id);
      T other = old.get(id);
      if (other == null) {
        added.accept(one);
      } else if (!other.equals(one)) {
        changed.accept(other, one);
      }
    }
    before.stream().filter(one -> !met.contains(key.apply(one))).forEach(removed);
  }
}
