import { Button } from 'antd';

/** The way to the rest of a list that is fetched so many at a time. */
export function More({
  of,
  words,
}: {
  of: { hasNextPage: boolean; isFetchingNextPage: boolean; fetchNextPage: () => unknown };
  words: string;
}) {
  return of.hasNextPage ? (
    <Button onClick={() => void of.fetchNextPage()} loading={of.isFetchingNextPage}>
      {words}
    </Button>
  ) : null;
}
