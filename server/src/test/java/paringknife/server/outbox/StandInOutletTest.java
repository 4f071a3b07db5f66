package paringknife.server.outbox;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import paringknife.core.outbox.Rules;
import paringknife.server.episodes.DataFolder;
import tools.jackson.databind.json.JsonMapper;

class StandInOutletTest extends OutletContract {
  private static final Rules ANY = new Rules(List.of(), 0, 0, 0, 0, 0);
  private final DestinationStore destinations = mock(DestinationStore.class);

  @Override
  Outlet outlet() {
    // Made anew each time: what it knows it has written down.
    return new StandInOutlet(new DataFolder(folder, folder), destinations, new JsonMapper());
  }

  @Override
  void answers(String destination, boolean answers) {
    when(destinations.byName(destination))
        .thenReturn(Optional.of(new DestinationStore.Destination(1, destination, ANY, answers)));
  }

  @Test
  void itsReceiptsSayWhatTheyAre() throws IOException {
    outlet().withdraw("some-key");
    try (Stream<java.nio.file.Path> receipts = Files.list(folder.resolve("stand-in"))) {
      assertThat(receipts.toList())
          .singleElement()
          .satisfies(r -> assertThat(Files.readString(r)).contains("nothing was published"));
    }
  }

  @Test
  void keysThatLeadElsewhereAreRefused() {
    for (String key : List.of("../../x", "", "a/b", "a".repeat(101), "\u0000")) {
      assertThatThrownBy(() -> outlet().withdraw(key)).isInstanceOf(IllegalArgumentException.class);
    }
  }
}
