package lochan.web.eventbook;

import org.springframework.stereotype.Service;

/** Which changes of phones were taken: a phone that heard no answer sends them again. */
@Service
public class PhoneChangesTaken {

    private final PhoneChangeRepository repository;

    PhoneChangesTaken(PhoneChangeRepository repository) {
        this.repository = repository;
    }

    /**
     * Notes that a change is taken.
     *
     * @param id that the phone gave it
     * @return false when it was taken before
     */
    @EventWrite
    public boolean add(EventKey key, String id) {
        return repository.takes(key, id);
    }
}
