package org.ysometron.app.curve;

import org.springframework.data.jpa.repository.JpaRepository;

interface UploadRepository extends JpaRepository<Upload, Long> {}
