-- A visit is a visit everywhere: the row was called practice_sessions, and what points at it session_id.
ALTER TABLE `agreed_targets` DROP FOREIGN KEY `agreed_targets_session_id_practice_sessions_id_fk`;
--> statement-breakpoint
ALTER TABLE `practice_events` DROP FOREIGN KEY `practice_events_session_id_practice_sessions_id_fk`;
--> statement-breakpoint
ALTER TABLE `practice_sessions` DROP FOREIGN KEY `practice_sessions_apprentice_id_people_id_fk`;
--> statement-breakpoint
ALTER TABLE `practice_sessions` DROP FOREIGN KEY `practice_sessions_dog_id_dogs_id_fk`;
--> statement-breakpoint
ALTER TABLE `practice_sessions` DROP FOREIGN KEY `practice_sessions_table_id_room_tables_id_fk`;
--> statement-breakpoint
ALTER TABLE `gradings` DROP FOREIGN KEY `gradings_session_id_practice_sessions_id_fk`;
--> statement-breakpoint
ALTER TABLE `assessments` DROP FOREIGN KEY `assessments_session_id_practice_sessions_id_fk`;
--> statement-breakpoint
ALTER TABLE `pictures` DROP FOREIGN KEY `pictures_session_id_practice_sessions_id_fk`;
--> statement-breakpoint
RENAME TABLE `practice_sessions` TO `visits`;
--> statement-breakpoint
ALTER TABLE `agreed_targets` RENAME COLUMN `session_id` TO `visit_id`;
--> statement-breakpoint
ALTER TABLE `derived_attempts` RENAME COLUMN `session_id` TO `visit_id`;
--> statement-breakpoint
ALTER TABLE `practice_events` RENAME COLUMN `session_id` TO `visit_id`;
--> statement-breakpoint
ALTER TABLE `derived_coat` RENAME COLUMN `session_id` TO `visit_id`;
--> statement-breakpoint
ALTER TABLE `gradings` RENAME COLUMN `session_id` TO `visit_id`;
--> statement-breakpoint
ALTER TABLE `assessments` RENAME COLUMN `session_id` TO `visit_id`;
--> statement-breakpoint
ALTER TABLE `pictures` RENAME COLUMN `session_id` TO `visit_id`;
--> statement-breakpoint
ALTER TABLE `agreed_targets` RENAME INDEX `agreed_targets_session` TO `agreed_targets_visit`;
--> statement-breakpoint
ALTER TABLE `practice_events` RENAME INDEX `practice_events_session` TO `practice_events_visit`;
--> statement-breakpoint
ALTER TABLE `visits` RENAME INDEX `practice_sessions_date` TO `visits_date`;
--> statement-breakpoint
ALTER TABLE `visits` RENAME INDEX `practice_sessions_apprentice` TO `visits_apprentice`;
--> statement-breakpoint
ALTER TABLE `pictures` RENAME INDEX `pictures_session` TO `pictures_visit`;
--> statement-breakpoint
ALTER TABLE `agreed_targets` ADD CONSTRAINT `agreed_targets_visit_id_visits_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE `practice_events` ADD CONSTRAINT `practice_events_visit_id_visits_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE `visits` ADD CONSTRAINT `visits_apprentice_id_people_id_fk` FOREIGN KEY (`apprentice_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE `visits` ADD CONSTRAINT `visits_dog_id_dogs_id_fk` FOREIGN KEY (`dog_id`) REFERENCES `dogs`(`id`) ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE `visits` ADD CONSTRAINT `visits_table_id_room_tables_id_fk` FOREIGN KEY (`table_id`) REFERENCES `room_tables`(`id`) ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE `gradings` ADD CONSTRAINT `gradings_visit_id_visits_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE `assessments` ADD CONSTRAINT `assessments_visit_id_visits_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE `pictures` ADD CONSTRAINT `pictures_visit_id_visits_id_fk` FOREIGN KEY (`visit_id`) REFERENCES `visits`(`id`) ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
UPDATE `practice_events` SET `kind` = 'visitOpened' WHERE `kind` = 'sessionOpened';
--> statement-breakpoint
UPDATE `practice_events` SET `kind` = 'visitClosed' WHERE `kind` = 'sessionClosed';
