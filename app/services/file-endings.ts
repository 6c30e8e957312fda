/** What a file's name may end in; what it holds is told by its bytes. */
export const FILE_ENDINGS = '.csv,.tsv,.txt,.json,.jsonl,.ndjson,.xlsx,.ods,.xls,.parquet,.arrow,.feather,.gz,text/csv,text/plain';
