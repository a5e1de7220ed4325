package org.ysometron.app.curve;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.ysometron.core.curve.Loading;

interface ProfileRepository extends JpaRepository<Profile, Long> {

    Optional<Profile> findByName(String name);

    List<Profile> findByLoadingOrderByName(Loading loading);
}
