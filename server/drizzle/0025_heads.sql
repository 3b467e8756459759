CREATE TABLE `signed_heads` (
	`seq` int NOT NULL,
	`at` datetime(3) NOT NULL,
	`document` json NOT NULL,
	CONSTRAINT `signed_heads_seq` PRIMARY KEY(`seq`)
);
