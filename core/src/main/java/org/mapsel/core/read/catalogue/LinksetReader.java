package org.mapsel.core.read.catalogue;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.document.DataDocument;
import org.mapsel.core.document.DataNode;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.WebLink;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.read.Reading;

/**
 * Linksets (RFC 9264) as API catalogues (RFC 9727): each context with descriptions is a service;
 * what is only an item, or a catalogue inside the catalogue, is an entry of its own.
 */
public final class LinksetReader implements CatalogueReader {

  private static final Pattern JSON = Pattern.compile("^\\s*\\{\\s*\"linkset\"\\s*:\\s*\\[");
  private static final Pattern TEXT = Pattern.compile("^\\s*<[^<>\\s]+>\\s*;\\s*[a-z]+\\s*=");
  private static final String SERVICE_DESC = "service-desc";
  private static final String SERVICE_META = "service-meta";
  private static final String ITEM = "item";
  private static final String API_CATALOG = "api-catalog";

  /** A link of a context: what it is for, where it leads and how it is called. */
  private record Target(String relation, String address, String title) {}

  @Override
  public boolean recognises(String head) {
    return JSON.matcher(head).find() || TEXT.matcher(head).find();
  }

  @Override
  public List<CatalogueEntry> read(SourceText source, Findings findings) {
    Map<String, List<Target>> contexts =
        TEXT.matcher(start(source)).find() ? text(source) : json(source, findings);
    Map<String, String> titles = new HashMap<>();
    contexts.values().stream()
        .flatMap(List::stream)
        .filter(target -> !target.title().isBlank())
        .forEach(target -> titles.putIfAbsent(target.address(), target.title()));
    Entries entries = new Entries();
    contexts.forEach((anchor, targets) -> described(anchor, targets, titles, entries));
    contexts.values().stream()
        .flatMap(List::stream)
        .filter(target -> List.of(ITEM, API_CATALOG).contains(target.relation()))
        .filter(target -> !isDescribed(contexts.get(target.address())))
        .filter(target -> !target.address().equals(source.address()))
        .forEach(target -> entries.add(target.title(), target.address(), ""));
    return entries.toList();
  }

  private static boolean isDescribed(@Nullable List<Target> targets) {
    return targets != null
        && targets.stream().anyMatch(target -> target.relation().equals(SERVICE_DESC));
  }

  private static void described(
      String anchor, List<Target> targets, Map<String, String> titles, Entries entries) {
    List<Target> descriptions =
        targets.stream().filter(target -> target.relation().equals(SERVICE_DESC)).toList();
    String service = titles.getOrDefault(anchor, "");
    for (Target description : descriptions) {
      String own = description.title();
      String name = !own.isBlank() && descriptions.size() > 1 || service.isBlank() ? own : service;
      entries.add(
          name.isBlank() ? Entries.nameOf(anchor.isBlank() ? description.address() : anchor) : name,
          description.address(),
          targets.stream()
              .filter(target -> target.relation().equals(SERVICE_META))
              .map(Target::title)
              .findFirst()
              .orElse(""));
    }
  }

  private static String start(SourceText source) {
    int length = Math.min(source.bytes().length, 2_000);
    return new String(source.bytes(), 0, length, StandardCharsets.UTF_8);
  }

  private static Map<String, List<Target>> text(SourceText source) {
    Map<String, List<Target>> contexts = new LinkedHashMap<>();
    String all = new String(source.bytes(), StandardCharsets.UTF_8);
    for (WebLink link : WebLink.read(all)) {
      String anchor = resolve(source, link.parameters().getOrDefault("anchor", ""));
      for (String relation : link.parameters().getOrDefault("rel", "").split("\\s+")) {
        contexts
            .computeIfAbsent(anchor, absent -> new ArrayList<>())
            .add(
                new Target(
                    relation,
                    resolve(source, link.target()),
                    link.parameters().getOrDefault("title", "")));
      }
    }
    return contexts;
  }

  private static Map<String, List<Target>> json(SourceText source, Findings findings) {
    DataDocument document = DataDocument.read(source, Limits.DESCRIPTION);
    document.problem().ifPresent(findings::add);
    Map<String, List<Target>> contexts = new LinkedHashMap<>();
    for (DataNode context : document.root().map(root -> root.items("linkset")).orElse(List.of())) {
      String anchor = resolve(source, context.text("anchor"));
      List<Target> targets = contexts.computeIfAbsent(anchor, absent -> new ArrayList<>());
      context.forEachMember(
          (relation, links) -> {
            for (DataNode link : links.isArray() ? links.items() : List.<DataNode>of()) {
              link.findText("href")
                  .ifPresent(
                      href ->
                          targets.add(new Target(relation, resolve(source, href), title(link))));
            }
          });
    }
    return contexts;
  }

  /** The title in whatever language comes first (RFC 9264, section 4.2.4). */
  private static String title(DataNode link) {
    return link.findText("title")
        .orElseGet(
            () ->
                link.items("title*").stream()
                    .findFirst()
                    .map(title -> title.text("value"))
                    .orElse(""));
  }

  private static String resolve(SourceText source, String reference) {
    return reference.isBlank() ? "" : Reading.resolve(source.address(), reference);
  }
}
