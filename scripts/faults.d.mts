export function faultsOfVitest(report: object): string[];
export function faultsOfPlaywright(report: object): string[];
