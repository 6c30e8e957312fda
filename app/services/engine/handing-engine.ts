import { transfer } from 'comlink';
import type { PageDoc } from 'core/document';
import type { Livery } from 'core/plan';
import { failure, success, type Result } from 'core/result';
import { Engine, type EngineApi } from 'engine';
import type { HandoverWishes, WrittenPage } from 'handover';

/** A figure asked for in a format. What the format shows of it was drawn by the page. */
export interface HandoverAsk {
  readonly figure: string;
  readonly livery: Livery;
  readonly format: string;
  readonly wishes: HandoverWishes;
  readonly drawn: { readonly svg: string; readonly png: Uint8Array; readonly width: number; readonly height: number } | null;
}

/** The engine as the page sees it: it also makes the formats in which a figure leaves. */
export interface HandingApi extends EngineApi {
  handOver(ask: HandoverAsk): Promise<Result<Uint8Array>>;
  /** A page as it stands, whether it is in the project or not: its words written, its figures planned. */
  writePage(page: PageDoc, livery: Livery): Promise<Result<WrittenPage>>;
}

/** An engine that hands figures over. What makes the formats comes when the first is asked for. */
export class HandingEngine extends Engine implements HandingApi {
  writePage(page: PageDoc, livery: Livery): Promise<Result<WrittenPage>> {
    return this.withSession(async session => {
      const { writtenPage } = await import('handover');
      return success(writtenPage(session, page, livery));
    });
  }

  handOver({ figure: id, livery, format: name, wishes, drawn }: HandoverAsk): Promise<Result<Uint8Array>> {
    return this.withSession(async session => {
      const { formatNamed, handedOf } = await import('handover');
      const [figure, format] = [session.figure(id), formatNamed(name)];
      if (!figure || !format) return failure({ code: 'engine-fault', words: `there is no format ${name} for this figure` });
      const handed = handedOf(session, figure, livery, session.stagesOf(id));
      if (!handed.ok) return handed;
      const size = { width: drawn?.width ?? 0, height: drawn?.height ?? 0 };
      const drawings = { size, svg: () => Promise.resolve(drawn?.svg ?? ''), png: () => Promise.resolve(drawn?.png ?? new Uint8Array()) };
      const made = await format.make(handed.value, drawings, wishes);
      const bytes = typeof made === 'string' ? new TextEncoder().encode(made) : made;
      return success(transfer(bytes, [bytes.buffer]));
    });
  }
}
