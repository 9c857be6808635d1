package org.mapsel.core.read.catalogue;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.select.Elements;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.read.Reading;

/** Web pages with links to descriptions, as many servers make them of what they offer. */
public final class LinkPageReader implements CatalogueReader {

  private static final Pattern PAGE =
      Pattern.compile(
          "^\\s*(<\\?xml[^>]*>\\s*)?(?><!--.*?-->\\s*)*+(<!doctype\\s+html|<html|<head|<body)",
          Pattern.CASE_INSENSITIVE | Pattern.DOTALL);

  /** Addresses that end like those of descriptions do. */
  private static final Pattern DESCRIPTION =
      Pattern.compile(
          "(?i).*([?&](single)?wsdl2?(&.*|=.*)?|\\.wsdl2?|/\\$metadata|[/?&]api-docs[^/]*|"
              + "(openapi|swagger)[^/]*\\.(json|ya?ml)|/(openapi|swagger)/?|"
              + "/\\.well-known/api-catalog)([?#].*)?");

  private static final String ROWS = "tr, li, dd, p";
  private static final Pattern SAYS_NOTHING =
      Pattern.compile("(?i)wsdl|metadata|openapi|swagger|api-docs|description|json|here");

  private static final int FEW = 3;
  private static final int MAX_ADDRESS = 2_000;
  private static final int MAX_NAME = 80;
  private static final int MAX_WORDS = 300;

  @Override
  public boolean recognises(String head) {
    return PAGE.matcher(head).find();
  }

  @Override
  public List<CatalogueEntry> read(SourceText source, Findings findings) {
    Document page = parse(source);
    Element base = page.selectFirst("base[href]");
    String from =
        base == null ? source.address() : Reading.resolve(source.address(), base.attr("href"));
    Elements links =
        page.select("link[rel~=(?i)^(service-desc|api-catalog)$][href], a[href], area[href]");
    Map<Element, Integer> linksOfRows = new IdentityHashMap<>();
    for (Element link : links) {
      Optional.ofNullable(link.closest(ROWS))
          .ifPresent(row -> linksOfRows.merge(row, 1, Integer::sum));
    }
    Entries entries = new Entries();
    for (Element link : links) {
      String address = Reading.resolve(from, link.attr("href"));
      if (link.tagName().equals("link")) {
        entries.add(link.attr("title"), address, "");
      } else if (address.length() < MAX_ADDRESS && DESCRIPTION.matcher(address).matches()) {
        // A row with many links says nothing of any one of them.
        Optional<Element> row =
            Optional.ofNullable(link.closest(ROWS)).filter(one -> linksOfRows.get(one) <= FEW);
        String name = name(link, row, address);
        entries.add(name, address, row.map(one -> besides(link, one, name)).orElse(""));
      }
    }
    return entries.toList();
  }

  private static Document parse(SourceText source) {
    try {
      return Jsoup.parse(new ByteArrayInputStream(source.bytes()), null, source.address());
    } catch (IOException e) {
      // Bytes in memory can be read.
      throw new UncheckedIOException(e);
    }
  }

  /** What the link says, unless that is the address once more or the word WSDL. */
  private static String name(Element link, Optional<Element> row, String address) {
    String words = link.text().strip();
    boolean telling =
        !words.isEmpty()
            && words.length() < MAX_NAME
            && !words.contains("://")
            && !SAYS_NOTHING.matcher(words).find();
    return telling
        ? words
        : row.flatMap(LinkPageReader::heading).orElseGet(() -> Entries.nameOf(address));
  }

  /** The words in bold or at the start of a row. */
  private static Optional<String> heading(Element row) {
    return Optional.ofNullable(row.selectFirst("b, strong, th, h2, h3, h4, .porttypename"))
        .map(Element::text)
        .filter(words -> !words.isBlank() && words.length() < MAX_NAME);
  }

  /** The other words of the row that a link stands in. */
  private static String besides(Element link, Element row, String name) {
    String words = row.text().replace(link.text(), " ").strip();
    String other = words.startsWith(name) ? words.substring(name.length()) : words;
    String plain = other.replaceAll("\\s+", " ").strip();
    return plain.length() <= MAX_WORDS ? plain : plain.substring(0, MAX_WORDS) + "…";
  }
}
