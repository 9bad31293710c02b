export declare function indexes(): { file: string; text: string }[]
