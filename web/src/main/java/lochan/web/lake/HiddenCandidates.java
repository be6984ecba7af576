package lochan.web.lake;

import java.util.List;
import lochan.core.event.Position;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import org.springframework.stereotype.Service;

/** Candidates of the map that the angler does not want to see again, by kind and place: depths that come later may move them a little. */
@Service
public class HiddenCandidates {

    /** A candidate of the kind this near is the same, m. */
    private static final double SAME_M = 40;

    private final HiddenCandidateRepository repository;

    HiddenCandidates(HiddenCandidateRepository repository) {
        this.repository = repository;
    }

    /** One of them. */
    public record Hidden(String kind, Position at) {

        public boolean is(String otherKind, Position other) {
            return kind.equals(otherKind) && at.metresTo(other) <= SAME_M;
        }
    }

    public List<Hidden> all(EventKey key) {
        return repository.all(key);
    }

    @EventWrite
    public void hide(EventKey key, Hidden one) {
        repository.delete(key, one);
        repository.add(key, one);
    }

    @EventWrite
    public void show(EventKey key, Hidden one) {
        repository.delete(key, one);
    }

    @EventWrite
    public void showAll(EventKey key) {
        repository.deleteAll(key);
    }
}
