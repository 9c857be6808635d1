package org.mapsel.core.link;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.mapsel.core.document.SourceText;
import org.mapsel.core.intake.Intake;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.service.OperationWire;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;

/** Where the functions and actions of entities are offered. */
class CallablesTest {

  private static final String METADATA =
      """
      <edmx:Edmx Version="4.0" xmlns:edmx="http://docs.oasis-open.org/odata/ns/edmx"><edmx:DataServices>
      <Schema Namespace="quay" xmlns="http://docs.oasis-open.org/odata/ns/edm">
        <EntityType Name="Gear"><Key><PropertyRef Name="Id"/></Key><Property Name="Id" Type="Edm.Int32"/></EntityType>
        <EntityType Name="Crane" BaseType="quay.Gear"/>
        <EntityType Name="Lamp"><Key><PropertyRef Name="Id"/></Key><Property Name="Id" Type="Edm.Int32"/></EntityType>
        <Action Name="Stop" IsBound="true"><Parameter Name="it" Type="quay.Gear"/></Action>
        <Action Name="Swing" IsBound="true"><Parameter Name="it" Type="quay.Crane"/></Action>
        <Function Name="Idle" IsBound="true"><Parameter Name="all" Type="Collection(quay.Gear)"/><ReturnType Type="Edm.Int32"/></Function>
        <Function Name="Tide"><ReturnType Type="Edm.Decimal"/></Function>
        <Function Name="Tide"><Parameter Name="day" Type="Edm.Date"/><ReturnType Type="Edm.Decimal"/></Function>
        <EntityContainer Name="Quay">
          <EntitySet Name="Cranes" EntityType="quay.Crane"/>
          <EntitySet Name="Gears" EntityType="quay.Gear"/>
          <EntitySet Name="Lamps" EntityType="quay.Lamp"/>
          <Singleton Name="Oldest" Type="quay.Crane"/>
          <FunctionImport Name="Now" Function="quay.Tide"/>
        </EntityContainer>
      </Schema></edmx:DataServices></edmx:Edmx>
      """;

  private static final Service QUAY =
      Intake.read(
              new SourceText("quay.xml", METADATA.getBytes(StandardCharsets.UTF_8)),
              Descriptions.RESOLVER)
          .get()
          .service();

  private static List<String> offered(String word) {
    return QUAY.operations().ids().stream()
        .map(OperationId::text)
        .filter(id -> id.endsWith(word))
        .toList();
  }

  private static String path(String id) {
    return ((OperationWire.Entities) QUAY.getOperation(new OperationId(id)).wires().get(0)).path();
  }

  @Test
  void whatBelongsToATypeIsOfferedWhereverItsEntitiesAreAndThoseDerivedFromIt() {
    assertThat(offered(".Stop")).containsExactly("Cranes.Stop", "Gears.Stop", "Oldest.Stop");
    assertThat(offered(".Swing")).containsExactly("Cranes.Swing", "Oldest.Swing");
    assertThat(path("Cranes.Stop")).isEqualTo("/Cranes({Id})/quay.Stop");
    assertThat(path("Oldest.Swing")).isEqualTo("/Oldest/quay.Swing");
  }

  @Test
  void whatBelongsToACollectionIsOfferedForSets() {
    assertThat(offered(".Idle")).containsExactly("Cranes.Idle", "Gears.Idle");
    assertThat(path("Gears.Idle")).isEqualTo("/Gears/quay.Idle()");
  }

  @Test
  void anImportOffersEveryFunctionOfItsName() {
    assertThat(offered("Now")).containsExactly("Now");
    assertThat(QUAY.operations().ids()).extracting(OperationId::text).contains("Now", "Now2");
  }
}
