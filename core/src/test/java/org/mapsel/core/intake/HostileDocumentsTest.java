package org.mapsel.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.mapsel.core.document.DocumentException;
import org.mapsel.core.document.Limits;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.document.XmlCursor;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.sample.SampleMaker.Extent;
import org.mapsel.core.service.Operation;

/** Documents made to do harm: each is a clear finding, and nothing runs away. */
@Timeout(120)
class HostileDocumentsTest {

  private static final String WSDL = "http://schemas.xmlsoap.org/wsdl/";

  private static Outcome<Description> read(String text) {
    return read(text.getBytes(StandardCharsets.UTF_8));
  }

  private static Outcome<Description> read(byte[] bytes) {
    SourceText first = new SourceText("file:///hostile.wsdl", bytes);
    return Intake.read(
        first,
        address ->
            address.startsWith("file:///hostile.wsdl")
                ? Outcome.of(new SourceText(address, bytes))
                : Outcome.failed(Finding.error("READ_DOCUMENT_MISSING", "address", address)));
  }

  private static List<String> codes(Outcome<?> outcome) {
    return outcome.findings().stream().map(Finding::code).toList();
  }

  private static String definitions(String content) {
    return "<definitions xmlns='"
        + WSDL
        + "' xmlns:t='urn:h' xmlns:s='http://schemas.xmlsoap.org/wsdl/soap/'"
        + " xmlns:x='http://www.w3.org/2001/XMLSchema' targetNamespace='urn:h'>"
        + content
        + "</definitions>";
  }

  private static String many(int count, IntFunction<String> one) {
    return IntStream.range(0, count).mapToObj(one).collect(Collectors.joining());
  }

  /** A document/literal service with one operation that takes an element of the given type. */
  private static String taking(String types) {
    return definitions(
        "<types><x:schema targetNamespace='urn:h'>"
            + types
            + "<x:element name='in' type='t:T'/></x:schema></types>"
            + "<message name='m'><part name='p' element='t:in'/></message>"
            + "<portType name='p'><operation name='o'><input message='t:m'/></operation></portType>"
            + "<binding name='b' type='t:p'><s:binding/><operation name='o'/></binding>"
            + "<service name='s'><port name='p' binding='t:b'>"
            + "<s:address location='http://localhost:1/'/></port></service>");
  }

  @Test
  void entitiesNeitherGrowNorReachOut() {
    String laughs =
        "<!DOCTYPE d [<!ENTITY a 'ha'>"
            + many(
                20,
                i ->
                    "<!ENTITY "
                        + (char) ('b' + i)
                        + " '&"
                        + (char) ('a' + i)
                        + ";&"
                        + (char) ('a' + i)
                        + ";'>")
            + "]>";
    assertThat(codes(read(laughs + definitions("<documentation>&u;</documentation>"))))
        .contains("XML_ENTITY_REFUSED");
    assertThat(
            codes(
                read(
                    "<!DOCTYPE d [<!ENTITY f SYSTEM 'file:///etc/hostname'>]>"
                        + definitions("<documentation>&f;</documentation>"))))
        .contains("XML_ENTITY_REFUSED");
  }

  @Test
  void depthAndLengthHaveLimits() {
    assertThat(codes(read(definitions("<a>".repeat(200_000))))).contains("XML_LIMIT_REACHED");
    assertThat(codes(read(definitions("<a b='" + "c".repeat(10 << 20) + "'/>"))))
        .contains("XML_LIMIT_REACHED");
    assertThat(codes(read(definitions("<documentation>" + "c".repeat(20 << 20)))))
        .contains("XML_LIMIT_REACHED");
    assertThat(codes(read(new byte[(100 << 20) + 1]))).isNotEmpty();
  }

  @Test
  void aStreamWithoutEndIsCutOff() throws Exception {
    InputStream endless =
        new InputStream() {
          private static final byte[] ROW = "<row>1</row>".getBytes(StandardCharsets.US_ASCII);
          private long at = -4;

          @Override
          public int read() {
            at++;
            return at < 0 ? "<a>".charAt((int) at + 3) : ROW[(int) (at % ROW.length)];
          }

          @Override
          public int read(byte[] target, int from, int length) {
            for (int i = 0; i < length; i++) {
              target[from + i] = (byte) read();
            }
            return length;
          }
        };
    int rows = 0;
    Finding end = null;
    try (XmlCursor cursor = XmlCursor.open(endless, "endless", Limits.DESCRIPTION)) {
      while (cursor.nextChild(1)) {
        rows++;
      }
    } catch (DocumentException e) {
      end = e.finding();
    }
    assertThat(end).isNotNull().extracting(Finding::code).isEqualTo("XML_LIMIT_REACHED");
    assertThat(rows).isGreaterThan(1_000_000);
  }

  @Test
  void importsInACircleEnd() {
    String self = "<import namespace='urn:h' location='hostile.wsdl'/>";
    assertThat(codes(read(definitions(self))))
        .containsExactly("WSDL_SERVICE_MISSING", "WSDL_OPERATION_NONE");
    String ever =
        "<types><x:schema><x:import namespace='urn:n' schemaLocation='hostile.wsdl?1'/></x:schema></types>";
    assertThat(read(definitions(ever)).findings()).hasSizeLessThan(20);
  }

  @Test
  void typesThatAreTheirOwnBaseOrContentEnd() {
    assertThat(
            codes(
                read(
                    taking(
                        "<x:complexType name='T'><x:complexContent><x:extension base='t:T'/>"
                            + "</x:complexContent></x:complexType>"))))
        .contains("XSD_TYPE_EXTENDS_ITSELF");
    assertThat(
            codes(
                read(
                    taking(
                        "<x:simpleType name='T'><x:restriction base='t:U'/></x:simpleType>"
                            + "<x:simpleType name='U'><x:union memberTypes='t:T t:U'/></x:simpleType>"))))
        .contains("XSD_TYPE_EXTENDS_ITSELF");
    assertThat(
            codes(
                read(
                    taking(
                        "<x:group name='g'><x:sequence><x:group ref='t:g'/></x:sequence></x:group>"
                            + "<x:complexType name='T'><x:group ref='t:g'/></x:complexType>"))))
        .contains("XSD_GROUP_CIRCULAR");
  }

  @Test
  void aSampleOfATypeThatDoublesAtEveryStepStaysSmall() {
    String types =
        many(
            60,
            i ->
                "<x:complexType name='"
                    + (i == 0 ? "T" : "T" + i)
                    + "'><x:sequence><x:element name='a' type='t:T"
                    + (i + 1)
                    + "'/><x:element name='b' type='t:T"
                    + (i + 1)
                    + "'/></x:sequence></x:complexType>");
    Description description =
        read(taking(
                types + "<x:simpleType name='T60'><x:restriction base='x:string'/></x:simpleType>"))
            .get();
    Operation operation = description.service().operations().get(0);

    assertThat(SampleMaker.make(description.service().shapes(), operation.input(), Extent.REQUIRED))
        .isNotNull();
  }

  @Test
  void aPatternCannotHoldAnybodyUp() {
    String pattern = "(a|aa|a?)+".repeat(12) + "b{900}c";
    Description description =
        read(taking(
                "<x:complexType name='T'><x:sequence><x:element name='a'><x:simpleType>"
                    + "<x:restriction base='x:string'><x:pattern value='"
                    + pattern
                    + "'/></x:restriction></x:simpleType></x:element></x:sequence></x:complexType>"))
            .get();
    Operation operation = description.service().operations().get(0);

    assertThat(
            SampleMaker.make(description.service().shapes(), operation.input(), Extent.REQUIRED)
                .names())
        .containsExactly("a");
  }

  @Test
  void aMillionOperationsAreCutOff() {
    String text =
        definitions(
            "<message name='m'/><portType name='p'>"
                + many(
                    1_000_000,
                    i -> "<operation name='o" + i + "'><input message='t:m'/></operation>")
                + "</portType>");
    Outcome<Description> read = read(text);

    assertThat(codes(read)).contains("WSDL_OPERATIONS_TOO_MANY");
    assertThat(read.get().service().operations()).hasSize(100_000);
  }

  @Test
  void anArchiveThatGrowsIsCutOff() throws Exception {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      byte[] zeros = new byte[1 << 20];
      for (int i = 0; i < 150; i++) {
        zip.putNextEntry(new ZipEntry("f" + i + ".wsdl"));
        zip.write(zeros);
      }
    }
    assertThat(bytes.size()).isLessThan(1 << 20);
    assertThat(codes(read(bytes.toByteArray()))).containsExactly("READ_ARCHIVE_TOO_LARGE");
    assertThat(codes(read(java.util.Arrays.copyOf(bytes.toByteArray(), 500))))
        .containsExactly("READ_ARCHIVE_BROKEN");
  }

  @Test
  void anArchiveIsReadFromTheDescriptionThatTakesInTheOthers() throws Exception {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      for (String name :
          List.of("schemas/cargo-names.xsd", "schemas/cargo-base.xsd", "cargo.wsdl")) {
        zip.putNextEntry(new ZipEntry("deep/" + name));
        try (InputStream file =
            HostileDocumentsTest.class.getResourceAsStream("/descriptions/" + name)) {
          file.transferTo(zip);
        }
      }
    }
    Outcome<Description> read = read(bytes.toByteArray());

    assertThat(read.get().service().name()).isEqualTo("CargoService");
    assertThat(read.get().documents()).hasSize(3);
    assertThat(codes(read)).containsExactly("WSDL_EXTENSION_PASSED_OVER");
  }
}
