import { Module } from '@nestjs/common';
import { NotebookController } from './notebook.controller.js';
import { bySubject, NotebookRepository } from './notebook.repository.js';
import { NotebookService } from './notebook.service.js';

@Module({ controllers: [NotebookController], providers: [NotebookService, NotebookRepository], exports: [NotebookService, NotebookRepository] })
export class NotebookModule {}
export { bySubject, NotebookRepository, NotebookService };
