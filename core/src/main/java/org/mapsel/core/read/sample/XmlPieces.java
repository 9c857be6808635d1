package org.mapsel.core.read.sample;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.XmlSpan;
import org.mapsel.core.service.RecordedRequest.Piece;
import org.mapsel.core.service.RecordedRequest.Run;

/** Where the values of an XML document stand: texts of elements without children, attributes. */
final class XmlPieces {

  private static final String XSI = "http://www.w3.org/2001/XMLSchema-instance";

  private final Cutter cutter;

  private XmlPieces(Cutter cutter) {
    this.cutter = cutter;
  }

  /**
   * @throws DocumentException if it is no XML
   */
  static List<Piece> of(String body) throws DocumentException {
    XmlSpan root = XmlSpan.read(body);
    Cutter cutter = new Cutter(body);
    new XmlPieces(cutter).inside(root);
    return cutter.all();
  }

  private void inside(XmlSpan element) {
    for (XmlSpan.Attribute attribute : element.attributes()) {
      if (attribute.namespace().equals(XSI)) {
        if (attribute.local().equals("nil") && element.children().isEmpty()) {
          nil(element, attribute);
          return;
        }
      } else {
        cutter.one(
            List.of("@" + attribute.local()),
            attribute.valueStart(),
            attribute.valueEnd(),
            attribute.value());
      }
    }
    if (!element.children().isEmpty()) {
      children(element.children());
    } else if (element.isEmptyTag()) {
      int slash = element.tagEnd() - 2;
      cutter.one(List.of(), slash, element.end(), "", ">", endTag(element));
    } else {
      cutter.one(List.of(), element.tagEnd(), element.contentEnd(), element.text().strip());
    }
  }

  /** A value in the place of nothing takes away what says that there is nothing. */
  private void nil(XmlSpan element, XmlSpan.Attribute nil) {
    String rest =
        cutter.text().substring(nil.valueEnd() + 1, element.tagEnd()).replaceFirst("\\s*/?>$", ">");
    int start = nil.start();
    while (Character.isWhitespace(cutter.text().charAt(start - 1))) {
      start--;
    }
    cutter.one(List.of(), start, element.end(), "", rest, endTag(element));
  }

  private String endTag(XmlSpan element) {
    String tag = cutter.text().substring(element.start() + 1, element.tagEnd());
    return "</" + tag.split("[\\s/>]", 2)[0] + ">";
  }

  private void children(List<XmlSpan> children) {
    Map<String, Integer> all = new HashMap<>();
    children.forEach(child -> all.merge(child.local(), 1, Integer::sum));
    Map<String, Integer> before = new HashMap<>();
    int at = 0;
    while (at < children.size()) {
      String name = children.get(at).local();
      int end = at;
      while (end < children.size()
          && children.get(end).local().equals(name)
          && (end == at || isNextTo(children.get(end - 1), children.get(end)))) {
        end++;
      }
      int first = before.merge(name, end - at, Integer::sum) - (end - at);
      run(name, children.subList(at, end), first, first + end - at == all.get(name));
      at = end;
    }
  }

  private boolean isNextTo(XmlSpan one, XmlSpan next) {
    return cutter.text().substring(one.end(), next.start()).isBlank();
  }

  private void run(String name, List<XmlSpan> same, int first, boolean last) {
    cutter.around(same.get(0).start());
    List<List<Piece>> items = new ArrayList<>();
    for (XmlSpan child : same) {
      items.add(
          cutter.within(
              child.start(),
              () -> {
                inside(child);
                cutter.around(child.end());
              }));
    }
    String between =
        same.size() < 2 ? "" : cutter.text().substring(same.get(0).end(), same.get(1).start());
    cutter.run(new Run(List.of(name), first, last, items, between));
  }
}
