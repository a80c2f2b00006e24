/** A chosen file as text, telling how much of it is read, 0 to 1. */
export const readText = (file: File, progress: (share: number) => void) =>
  new Promise<{ name: string; text: string }>((resolve, reject) => {
    const reader = new FileReader();
    reader.onprogress = (e) => progress(e.lengthComputable ? e.loaded / e.total : 0);
    reader.onload = () => resolve({ name: file.name, text: String(reader.result) });
    reader.onerror = reject;
    reader.readAsText(file);
  });
