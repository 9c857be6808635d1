package org.mapsel.core.read.catalogue;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Findings;
import org.mapsel.core.read.Reading;

/** Web pages with links to descriptions, as many servers make them of what they offer. */
public final class LinkPageReader implements CatalogueReader {

  private static final Pattern PAGE =
      Pattern.compile(
          "^\\s*(<\\?xml[^>]*>\\s*)?(<!--.*?-->\\s*)*(<!doctype\\s+html|<html|<head|<body)",
          Pattern.CASE_INSENSITIVE | Pattern.DOTALL);

  /** Addresses that end like those of descriptions do. */
  private static final Pattern DESCRIPTION =
      Pattern.compile(
          "(?i).*([?&](single)?wsdl2?(&.*|=.*)?|\\.wsdl2?|/\\$metadata|[/?&]api-docs[^/]*|"
              + "(openapi|swagger)[^/]*\\.(json|ya?ml)|/(openapi|swagger)/?|"
              + "/\\.well-known/api-catalog)([?#].*)?");

  private static final String ROWS = "tr, li, dd, p";
  private static final int MAX_WORDS = 300;

  @Override
  public boolean recognises(String head) {
    return PAGE.matcher(head).find();
  }

  @Override
  public List<CatalogueEntry> read(SourceText source, Findings findings) {
    Entries entries = new Entries();
    Document page = parse(source);
    Element base = page.selectFirst("base[href]");
    String from =
        base == null ? source.address() : Reading.resolve(source.address(), base.attr("href"));
    for (Element link :
        page.select("link[rel~=(?i)^(service-desc|api-catalog)$][href], a[href], area[href]")) {
      String address = Reading.resolve(from, link.attr("href"));
      boolean told = link.tagName().equals("link");
      if (told || DESCRIPTION.matcher(address).matches()) {
        String name = told ? link.attr("title") : name(link, address);
        entries.add(name, address, told ? "" : besides(link, name));
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
  private static String name(Element link, String address) {
    String words = link.text().strip();
    boolean telling =
        !words.isEmpty()
            && !words.contains("://")
            && !words.matches(
                "(?i).*(wsdl|metadata|openapi|swagger|api-docs|description|json|here).*");
    return telling ? words : heading(link).orElseGet(() -> Entries.nameOf(address));
  }

  /** The words in bold or at the start of the row that the link stands in. */
  private static Optional<String> heading(Element link) {
    return Optional.ofNullable(link.closest(ROWS))
        .filter(row -> row.select("a[href]").size() <= 3)
        .map(row -> row.selectFirst("b, strong, th, h2, h3, h4, .porttypename"))
        .map(Element::text)
        .filter(words -> !words.isBlank() && words.length() < 80);
  }

  /** The other words of the row that the link stands in. */
  private static String besides(Element link, String name) {
    Element row = link.closest(ROWS);
    if (row == null || row.select("a[href]").size() > 3) {
      return "";
    }
    String words = row.text().replace(link.text(), " ");
    if (words.strip().startsWith(name)) {
      words = words.strip().substring(name.length());
    }
    words = words.replaceAll("\\s+", " ").strip();
    return words.length() <= MAX_WORDS ? words : words.substring(0, MAX_WORDS) + "…";
  }
}
