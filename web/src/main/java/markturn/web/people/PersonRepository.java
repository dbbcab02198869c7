package markturn.web.people;

import org.springframework.data.repository.Repository;

interface PersonRepository extends Repository<Person, String> {
    java.util.Optional<Person> findById(String signInName);

    java.util.List<Person> findAll();

    Person save(Person person);

    boolean existsById(String signInName);
}
