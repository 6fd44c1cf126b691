export { asEntry } from './as-entry.js';
export { AnswersService } from './answers.service.js';
export { BookModule } from './book.module.js';
export { BookRepository } from './book.repository.js';
export { BookService } from './book.service.js';
