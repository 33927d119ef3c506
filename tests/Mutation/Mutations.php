<?php

declare(strict_types=1);

namespace Tests\Mutation;

use PhpParser\Node;
use PhpParser\Node\Expr\BinaryOp;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;

/**
 * Small changes that a tired programmer might make in a file of the core: an operator, a bound, a number, a condition.
 *
 * @phpstan-type Mutation array{file: string, line: int, from: int, length: int, was: string, now: string}
 */
final class Mutations
{
    private const OPERATORS = [
        BinaryOp\Plus::class => '-', BinaryOp\Minus::class => '+', BinaryOp\Mul::class => '/', BinaryOp\Div::class => '*',
        BinaryOp\Smaller::class => '<=', BinaryOp\SmallerOrEqual::class => '<', BinaryOp\Greater::class => '>=',
        BinaryOp\GreaterOrEqual::class => '>', BinaryOp\BooleanAnd::class => '||', BinaryOp\BooleanOr::class => '&&',
        BinaryOp\Identical::class => '!==', BinaryOp\NotIdentical::class => '===',
    ];

    private const FUNCTIONS = ['min' => 'max', 'max' => 'min', 'ceil' => 'floor', 'floor' => 'ceil'];

    /** @return list<Mutation> of a file, in order */
    public static function of(string $file): array
    {
        $code = (string) file_get_contents($file);
        $found = [];
        $change = function (Node $node, int $from, int $length, string $now) use (&$found, $file, $code): void {
            $found[] = [
                'file' => $file, 'line' => $node->getStartLine(), 'from' => $from, 'length' => $length,
                'was' => substr($code, $from, $length), 'now' => $now,
            ];
        };
        $tree = (new ParserFactory())->createForNewestSupportedVersion()->parse($code) ?? [];
        // What stands in a declaration of types is no number of ours.
        $tree = array_filter($tree, fn (Node $n): bool => ! $n instanceof Node\Stmt\Declare_);
        $strict = self::strictness($tree);
        foreach ((new NodeFinder())->find($tree, fn (Node $n): bool => ! in_array($n, $strict, true)) as $node) {
            if ($node instanceof BinaryOp && isset(self::OPERATORS[$node::class])) {
                $from = $node->left->getEndFilePos() + 1;
                $gap = substr($code, $from, $node->right->getStartFilePos() - $from);
                $at = strpos($gap, $node->getOperatorSigil());
                $at === false || $change($node, $from + $at, strlen($node->getOperatorSigil()), self::OPERATORS[$node::class]);
            } elseif ($node instanceof Node\Scalar\Int_) {
                $change($node, $node->getStartFilePos(), self::length($node), (string) ($node->value + 1));
            } elseif ($node instanceof Node\Stmt\If_) {
                $length = self::length($node->cond);
                $change($node, $node->cond->getStartFilePos(), $length, '! ('.substr($code, $node->cond->getStartFilePos(), $length).')');
            } elseif ($node instanceof Node\Expr\ConstFetch && in_array($node->name->toLowerString(), ['true', 'false'], true)) {
                $now = $node->name->toLowerString() === 'true' ? 'false' : 'true';
                $change($node, $node->getStartFilePos(), self::length($node), $now);
            } elseif ($node instanceof Node\Expr\FuncCall && $node->name instanceof Node\Name) {
                $now = self::FUNCTIONS[$node->name->toString()] ?? null;
                $now === null || $change($node->name, $node->name->getStartFilePos(), self::length($node->name), $now);
            }
        }
        usort($found, fn (array $a, array $b): int => [$a['from'], $a['length']] <=> [$b['from'], $b['length']]);

        return $found;
    }

    /**
     * Whether something is looked up strictly: where types are declared, the same is found either way.
     *
     * @param  array<Node>  $tree
     * @return list<Node>
     */
    private static function strictness(array $tree): array
    {
        $found = [];
        foreach ((new NodeFinder())->findInstanceOf($tree, Node\Expr\FuncCall::class) as $call) {
            $asks = $call->name instanceof Node\Name && in_array($call->name->toString(), ['in_array', 'array_search'], true);
            $strict = $asks ? $call->args[2] ?? null : null;
            $strict instanceof Node\Arg && $found[] = $strict->value;
        }

        return $found;
    }

    /** @param  Mutation  $mutation */
    public static function applied(array $mutation): string
    {
        return substr_replace(
            (string) file_get_contents($mutation['file']), $mutation['now'], $mutation['from'], $mutation['length'],
        );
    }

    private static function length(Node $node): int
    {
        return $node->getEndFilePos() - $node->getStartFilePos() + 1;
    }
}
