package org.mapsel.core.page.edit;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.model.DerivedField.Rule;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Service;

/** The derived fields of a record type, where a field that they start from is elsewhere now. */
record FollowedRules(FollowedWay way, FieldRef field, RecordType type, Editing editing) {

  RecordType followed() {
    return type.derived().isEmpty()
        ? type
        : type.withDerived(type.derived().stream().map(one -> one.with(rule(one.rule()))).toList());
  }

  private Rule rule(Rule rule) {
    return switch (rule) {
      case Rule.LookedUp found ->
          new Rule.LookedUp(
              path(found.list()),
              name(found.list(), found.key()),
              found.wanted(),
              name(found.list(), found.value()),
              found.otherwise());
      case Rule.CutOut cut -> new Rule.CutOut(path(cut.text()), cut.pattern(), cut.group());
      case Rule.Decoded decoded ->
          new Rule.Decoded(path(decoded.text()), decoded.coding(), decoded.inside());
      case Rule.Picked picked ->
          new Rule.Picked(
              path(picked.list()),
              picked.place(),
              picked.where().map(where -> formula(picked.list(), where)),
              way.path(picked.inside(), inside -> isField(picked.list().then(inside))));
      case Rule.Folded folded ->
          new Rule.Folded(path(folded.values()), folded.fold(), folded.separator());
      case Rule.Computed computed -> new Rule.Computed(formula(FieldPath.ROOT, computed.formula()));
    };
  }

  private FieldPath path(FieldPath path) {
    return way.path(path, this::isField);
  }

  /** A field of the items of a list; one that left them is not followed. */
  private String name(FieldPath list, String name) {
    FieldPath followed = way.path(FieldPath.of(name), inside -> isField(list.then(inside)));
    return followed.length() == 1 ? followed.last() : name;
  }

  /** A formula over the record, or over the items of a list in it. */
  private String formula(FieldPath start, String text) {
    return way.formula(text, names -> isField(start.then(path(names))));
  }

  private static FieldPath path(List<String> names) {
    return FieldPath.of(names.toArray(String[]::new));
  }

  private boolean isField(FieldPath path) {
    String service = field.owner().service();
    Optional<Service> known = editing.app().edition(service).flatMap(editing.services()::find);
    return known.isPresent()
        && type.shapes().stream()
            .filter(shape -> shape.service().equals(service))
            .filter(shape -> known.get().shapes().find(shape.shape()).isPresent())
            .anyMatch(
                shape ->
                    FieldRef.at(service, known.get().shapes(), shape.shape(), path)
                        .equals(Optional.of(field)));
  }
}
