import { Module } from '@nestjs/common';
import { AnswersService } from './answers.service.js';
import { BookController } from './book.controller.js';
import { BookRepository } from './book.repository.js';
import { BookService } from './book.service.js';
import { FeedService } from './feed.service.js';

@Module({ controllers: [BookController], providers: [BookRepository, BookService, AnswersService, FeedService], exports: [BookService, BookRepository, AnswersService] })
export class BookModule {}
