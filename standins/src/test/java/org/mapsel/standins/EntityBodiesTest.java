package org.mapsel.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.olingo.commons.api.data.Entity;
import org.apache.olingo.commons.api.edm.FullQualifiedName;
import org.apache.olingo.commons.api.edm.provider.CsdlEdmProvider;
import org.apache.olingo.commons.api.format.ContentType;
import org.apache.olingo.server.api.OData;
import org.apache.olingo.server.api.ServiceMetadata;
import org.apache.olingo.server.api.deserializer.ODataDeserializer;
import org.apache.olingo.server.core.MetadataParser;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.sample.SampleMaker;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Client;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.testing.Requests;
import org.mapsel.core.value.RecordValue;

/** Bodies of entities as a server library reads and checks them. */
class EntityBodiesTest {

  private static final String METADATA =
      """
      <edmx:Edmx Version="4.0" xmlns:edmx="http://docs.oasis-open.org/odata/ns/edmx"><edmx:DataServices>
      <Schema Namespace="quay" xmlns="http://docs.oasis-open.org/odata/ns/edm">
        <EnumType Name="State"><Member Name="Idle"/><Member Name="Working"/></EnumType>
        <ComplexType Name="Place"><Property Name="Berth" Type="Edm.String"/></ComplexType>
        <EntityType Name="Crane"><Key><PropertyRef Name="Id"/></Key>
          <Property Name="Id" Type="Edm.Int32" Nullable="false"/>
          <Property Name="Name" Type="Edm.String" Nullable="false" MaxLength="30"/>
          <Property Name="State" Type="quay.State"/>
          <Property Name="Lifts" Type="Edm.Decimal" Scale="2" Precision="8"/>
          <Property Name="Serial" Type="Edm.Int64"/>
          <Property Name="Built" Type="Edm.Date"/>
          <Property Name="Opens" Type="Edm.TimeOfDay"/>
          <Property Name="Checked" Type="Collection(Edm.DateTimeOffset)"/>
          <Property Name="Warranty" Type="Edm.Duration"/>
          <Property Name="Tag" Type="Edm.Guid"/>
          <Property Name="Stamp" Type="Edm.Binary"/>
          <Property Name="Place" Type="quay.Place"/>
          <NavigationProperty Name="Jobs" Type="Collection(quay.Job)" Partner="Crane"/>
        </EntityType>
        <EntityType Name="MobileCrane" BaseType="quay.Crane"><Property Name="Wheels" Type="Edm.Byte" Nullable="false"/></EntityType>
        <EntityType Name="Job"><Key><PropertyRef Name="Code"/></Key>
          <Property Name="Code" Type="Edm.String" Nullable="false"/>
          <NavigationProperty Name="Crane" Type="quay.Crane" Partner="Jobs"/>
        </EntityType>
        <EntityContainer Name="Quay">
          <EntitySet Name="Cranes" EntityType="quay.Crane"><NavigationPropertyBinding Path="Jobs" Target="Jobs"/></EntitySet>
          <EntitySet Name="Jobs" EntityType="quay.Job"><NavigationPropertyBinding Path="Crane" Target="Cranes"/></EntitySet>
        </EntityContainer>
      </Schema></edmx:DataServices></edmx:Edmx>
      """;

  private static Service quay;
  private static ServiceMetadata metadata;
  private static ODataDeserializer server;

  @BeforeAll
  static void read() throws Exception {
    quay =
        Intake.read(
                new SourceText("test:/quay.xml", METADATA.getBytes(StandardCharsets.UTF_8)),
                address -> Outcome.failed(Finding.error("READ_DOCUMENT_MISSING")))
            .get()
            .service();
    CsdlEdmProvider edm = new MetadataParser().buildEdmProvider(new StringReader(METADATA));
    OData library = OData.newInstance();
    metadata = library.createServiceMetadata(edm, List.of());
    server = library.createDeserializer(ContentType.JSON, metadata);
  }

  private static Entity understood(String operation, String type, RecordValue values)
      throws Exception {
    Operation found = Descriptions.operation(quay, operation);
    byte[] body = Requests.make(quay, found, found.wires().get(0).endpoint(), values).get().body();
    return server
        .entity(
            new ByteArrayInputStream(body),
            metadata.getEdm().getEntityType(new FullQualifiedName("quay", type)))
        .getEntity();
  }

  @Test
  void aDerivedTypeIsCreatedWithOthersAlongAndOnesThatThereAre() throws Exception {
    Entity crane =
        understood(
            "Cranes.create",
            "Crane",
            Client.json(
                "{'Crane':{'Id':1,'Name':'Long Tom','State':'Working','Lifts':12.25,'Serial':9007199254740993,"
                    + "'Built':'1988-03-04','Opens':'06:40:00','Checked':['2031-05-14T06:40:00Z'],'Warranty':'P2D',"
                    + "'Tag':'0f8fad5b-d9cb-469f-a165-70867728950e','Stamp':'AQID','Place':{'Berth':'B 3'},"
                    + "'Jobs':[{'Code':'J-1'},{'Code':'J-2'}],'kind':{'MobileCrane':{'Wheels':8}}}}"));
    assertThat(crane.getType()).isEqualTo("quay.MobileCrane");
    assertThat(crane.getProperty("Wheels").getValue()).isEqualTo((short) 8);
    assertThat(crane.getProperty("Serial").getValue()).isEqualTo(9007199254740993L);
    assertThat(crane.getNavigationLink("Jobs").getInlineEntitySet().getEntities())
        .extracting(job -> job.getProperty("Code").getValue())
        .containsExactly("J-1", "J-2");
  }

  @Test
  void oneThatThereIsAlreadyIsNamedByItsAddress() throws Exception {
    Entity job =
        understood(
            "Jobs.create",
            "Job",
            Client.json("{'Job':{'Code':'J-1','Crane@odata.bind':'Cranes(7)'}}"));
    assertThat(job.getNavigationBinding("Crane").getBindingLink()).isEqualTo("Cranes(7)");
  }

  @Test
  void whateverAnExampleHoldsIsUnderstood() throws Exception {
    for (String operation : List.of("Cranes.create", "Cranes.change", "Jobs.create")) {
      Operation found = Descriptions.operation(quay, operation);
      RecordValue values =
          SampleMaker.make(quay.shapes(), found.input(), SampleMaker.Extent.EVERYTHING);
      String type = operation.startsWith("Cranes") ? "Crane" : "Job";
      assertThat(understood(operation, type, values).getProperties()).isNotEmpty();
    }
  }
}
